// Four corners on a photo: dragged, tapped into place, or moved with the keys; the form carries where they are.
(() => {
  const place = document.getElementById("print-photo");
  if (!place) return;
  const corners = [...place.querySelectorAll(".corner")];
  const spot = (one) => [Number(one.dataset.x), Number(one.dataset.y)];
  let held = corners[0];

  function show() {
    for (const one of corners) {
      const [x, y] = spot(one);
      one.style.left = `${x * 100}%`;
      one.style.top = `${y * 100}%`;
      document.querySelector(`input[name="corner-${one.dataset.corner}"]`).value = `${x.toFixed(5)} ${y.toFixed(5)}`;
    }
    const middle = [0, 1].map((k) => corners.reduce((sum, one) => sum + spot(one)[k], 0) / 4);
    const around = corners.map(spot).sort((a, b) => Math.atan2(a[1] - middle[1], a[0] - middle[0]) - Math.atan2(b[1] - middle[1], b[0] - middle[0]));
    document.getElementById("print-block").setAttribute("d", `M${around.map((p) => p.join(" ")).join("L")}Z`);
  }
  function put(one, x, y) {
    one.dataset.x = Math.min(1, Math.max(0, x));
    one.dataset.y = Math.min(1, Math.max(0, y));
    show();
  }
  const at = (event) => { const box = place.getBoundingClientRect(); return [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height]; };

  place.addEventListener("pointerdown", (event) => {
    event.preventDefault();
    const [x, y] = at(event);
    // A tap on the photo brings the nearest corner there.
    held = event.target.closest(".corner") || corners.reduce((best, one) => (Math.hypot(spot(one)[0] - x, spot(one)[1] - y) < Math.hypot(spot(best)[0] - x, spot(best)[1] - y) ? one : best));
    held.focus({ preventScroll: true });
    put(held, x, y);
    place.setPointerCapture(event.pointerId);
  });
  place.addEventListener("pointermove", (event) => { if (place.hasPointerCapture(event.pointerId)) put(held, ...at(event)); });
  place.addEventListener("keydown", (event) => {
    const one = event.target.closest(".corner");
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!one || !way) return;
    event.preventDefault();
    const by = event.shiftKey ? 0.001 : 0.01, [x, y] = spot(one);
    put(one, x + way[0] * by, y + way[1] * by);
  });
  show();
})();
