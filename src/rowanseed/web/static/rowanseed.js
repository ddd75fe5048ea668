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
