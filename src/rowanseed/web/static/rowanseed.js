// Small local state of the pages; everything that matters happens on the server.
document.addEventListener("alpine:init", () => {
  Alpine.data("zoomable", () => ({
    level: 1,
    get scale() { return "scale-" + this.level; },
    nearer() { this.level = Math.min(4, this.level + 1); },
    further() { this.level = Math.max(1, this.level - 1); },
  }));
  Alpine.data("printing", () => ({
    go() { window.print(); },
  }));
  // Ticks of a shopping list live in the browser, so that they work in a shop without a network.
  Alpine.data("shopping", () => ({
    init() {
      const kept = this.kept();
      this.$root.querySelectorAll("[data-line]").forEach((box) => {
        if (box.dataset.line in kept) box.checked = kept[box.dataset.line];
      });
    },
    kept() {
      try { return JSON.parse(window.localStorage.getItem("shopping") || "{}"); } catch { return {}; }
    },
    tick(event) {
      const kept = this.kept();
      kept[event.target.dataset.line] = event.target.checked;
      try { window.localStorage.setItem("shopping", JSON.stringify(kept)); } catch { /* a private window keeps nothing */ }
    },
  }));
  // Listens to how far the search is, and shows the station when it is done.
  Alpine.data("searching", () => ({
    lines: [],
    source: null,
    init() {
      const place = this.$root;
      this.source = new EventSource(place.dataset.events);
      this.source.addEventListener("progress", (event) => { this.lines = JSON.parse(event.data).words; });
      this.source.addEventListener("done", () => {
        this.source.close();
        htmx.ajax("GET", place.dataset.page + window.location.search, { target: "#project", select: "#project", swap: "outerHTML" });
      });
    },
    destroy() { if (this.source) this.source.close(); },
  }));
});
