// Small local state of the pages; everything that matters happens on the server.
document.addEventListener("alpine:init", () => {
  Alpine.data("zoomable", () => ({
    level: 1,
    get scale() { return "scale-" + this.level; },
    nearer() { this.level = Math.min(4, this.level + 1); },
    further() { this.level = Math.max(1, this.level - 1); },
  }));
});
