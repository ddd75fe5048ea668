// The cutting table: pieces are dragged, or moved with the keys; the server says where they come to lie and what is wrong.
(() => {
  const $ = (id) => document.getElementById(id);
  const table = () => $("cutting-table");
  const piece = (id) => document.querySelector(`#table-box .piece[data-id="${id}"]`);
  const at = (group) => group.dataset.at.split(" ").map(Number);
  let held = "", busy = false, waiting = null, zoom = 1;

  const hold = (id) => {
    held = id;
    document.querySelectorAll("#table-box .piece").forEach((one) => one.classList.toggle("held", one.dataset.id === id));
    const mine = piece(id);
    if (mine) $("table-hand").textContent = mine.dataset.tells;
  };

  // ---------------------------------------------------------------- asking the server

  async function ask(change) {
    if (busy) { waiting = change; return; }
    busy = true;
    const place = table();
    const focused = document.activeElement?.closest?.(".piece")?.dataset.id || "";
    try {
      const answer = await fetch(place.dataset.url, {
        method: "POST", headers: { "Content-Type": "application/json" },
        body: JSON.stringify({ role: place.dataset.role, others: place.dataset.others, ...change }),
      });
      if (!answer.ok) throw new Error(String(answer.status));
      show(await answer.json(), focused);
    } catch {
      $("table-said").textContent = "That could not be done: look whether the server is still there.";
    }
    busy = false;
    if (waiting) { const next = waiting; waiting = null; ask(next); }
  }

  function listed(list, lines, button) {
    list.replaceChildren(...lines.map((line, number) => {
      const item = document.createElement("li");
      const [words, data, label] = button(line, number);
      item.textContent = words + " ";
      if (label) {
        const made = document.createElement("button");
        Object.assign(made, { type: "button", className: "quiet small", textContent: label });
        made.dataset[data] = number;
        item.append(made);
      }
      return item;
    }));
  }

  function show(found, focused) {
    $("table-box").innerHTML = found.picture;
    $("table-length").textContent = found.length;
    $("table-difference").textContent = found.difference;
    $("table-bought").textContent = found.bought ? ` · ${found.bought}` : "";
    $("table-work").textContent = found.work;
    $("table-faults").querySelector("h2").textContent = found.faults.length ? "What is not right yet" : "All is right";
    listed($("table-faults").querySelector("ul"), found.faults, ([said, mends]) => [said, "fault", mends ? "Put it right" : ""]);
    listed($("table-parked").querySelector("ul"), found.parked, (name) => [name, "parked", "Lay it on"]);
    $("table-parked").classList.toggle("away", !found.parked.length);
    listed($("table-stretches").querySelector("ol"), found.stretches, (words, number) =>
      [words, "exchange", number < found.stretches.length - 1 ? "Exchange with the next" : ""]);
    table().querySelector('[data-do="undo"]').disabled = !found.undo;
    table().querySelector('[data-do="redo"]').disabled = !found.redo;
    const mine = piece(focused || held);
    $("table-said").textContent = found.said || `${found.step}: ${found.length}. ${mine ? mine.getAttribute("aria-label") + "." : ""}`;
    hold(held);
    scale();
    pull();
    if (focused) piece(focused)?.focus({ preventScroll: true });
  }

  // ---------------------------------------------------------------- zoom, pan, the small map

  function scale() {
    const svg = $("table-box")?.querySelector("svg");
    if (!svg) return;
    svg.style.width = `${zoom * 100}%`;
    svg.style.minWidth = zoom > 1 ? `${zoom * 620}px` : "";
    svg.style.maxHeight = zoom > 1 ? "none" : "";
    drawMap();
  }
  function zoomTo(next, x, y) {
    const box = $("table-box"), svg = box.querySelector("svg");
    const before = svg.getBoundingClientRect(), frame = box.getBoundingClientRect();
    const px = x ?? frame.left + frame.width / 2, py = y ?? frame.top + frame.height / 2;
    const share = [(px - before.left) / before.width, (py - before.top) / before.height];
    zoom = Math.min(8, Math.max(1, next));
    scale();
    const after = svg.getBoundingClientRect();
    box.scrollLeft += after.left + share[0] * after.width - px;
    box.scrollTop += after.top + share[1] * after.height - py;
    drawMap();
  }
  // Once zoomed, rulers go along with what is seen: from the cut end, and from the lower edge.
  function drawRulers() {
    const box = $("table-box"), svg = box.querySelector("svg"), along = $("ruler-along"), across = $("ruler-across");
    for (const one of [along, across]) one.classList.toggle("away", zoom <= 1);
    if (zoom <= 1) return;
    const whole = svg.getBoundingClientRect(), frame = box.getBoundingClientRect();
    const wide = Number(svg.getAttribute("viewBox").split(" ")[2]), px = whole.width / wide;
    const left = Number(svg.dataset.left), low = Number(svg.dataset.low), inches = table().dataset.imperial === "yes";
    const unit = inches ? 25.4 : 10, step = (inches ? [1, 2, 3, 6, 12, 18, 36] : [1, 2, 5, 10, 20, 50]).find((one) => one * unit * px > 44) || 50;
    const marks = (from, to) => {
      const out = [];
      for (let k = Math.max(0, Math.ceil(from / (step * unit))); k * step * unit <= to; k += 1) out.push(k * step);
      return out;
    };
    const name = inches ? "in" : "cm";
    const x0 = (frame.left - whole.left) / px - left, y0 = low - (frame.top - whole.top) / px;
    const xs = marks(x0, x0 + frame.width / px), ys = marks(y0 - frame.height / px, y0);
    const fill = (ruler, side, at, place, words) => ruler.replaceChildren(...at.map((one) => {
      const mark = document.createElement("i");
      mark.textContent = words(one);
      mark.style[side] = `${place(one)}px`;
      return mark;
    }));
    fill(along, "left", xs, (one) => (one * unit - x0) * px, (one) => `${one} ${name}`);
    fill(across, "top", ys, (one) => (y0 - one * unit) * px - 20, (one) => `${one} ${name}`);
  }
  function drawMap() {
    drawRulers();
    const map = $("table-map"), box = $("table-box"), svg = box.querySelector("svg");
    map.classList.toggle("away", zoom <= 1);
    if (zoom <= 1) return;
    const [, , wide, tall] = svg.getAttribute("viewBox").split(" ").map(Number);
    const outlines = [...svg.querySelectorAll(".outline")].map((one) => one.getAttribute("d")).join("");
    const whole = svg.getBoundingClientRect(), frame = box.getBoundingClientRect();
    const per = wide / whole.width;
    const seen = [(frame.left - whole.left) * per, (frame.top - whole.top) * per, frame.width * per, frame.height * per];
    map.innerHTML = `<svg viewBox="0 0 ${wide} ${tall}"><path class="map-pieces" d="${outlines}"/><rect class="map-seen" x="${seen[0]}" y="${seen[1]}" width="${seen[2]}" height="${seen[3]}"/></svg>`;
  }
  document.addEventListener("wheel", (event) => {
    // The page scrolls by the wheel until the cloth is taken in hand.
    const box = event.target.closest?.("#table-box");
    if (!box || !(event.ctrlKey || box.contains(document.activeElement))) return;
    event.preventDefault();
    zoomTo(zoom * Math.exp(-event.deltaY / 400), event.clientX, event.clientY);
  }, { passive: false });
  document.addEventListener("pointerdown", (event) => {
    if (!event.target.closest?.("#table-map svg")) return;
    const box = $("table-box"), map = $("table-map").getBoundingClientRect(), svg = box.querySelector("svg").getBoundingClientRect();
    box.scrollLeft = ((event.clientX - map.left) / map.width) * svg.width - box.clientWidth / 2;
    box.scrollTop = ((event.clientY - map.top) / map.height) * svg.height - box.clientHeight / 2;
    drawMap();
  });
  document.addEventListener("scroll", (event) => { if (event.target.id === "table-box") drawMap(); }, true);

  // ---------------------------------------------------------------- hands

  // Two fingers zoom about their middle; the page must not zoom as well.
  let pinch = null;
  const between = ([a, b]) => [Math.hypot(a.clientX - b.clientX, a.clientY - b.clientY), (a.clientX + b.clientX) / 2, (a.clientY + b.clientY) / 2];
  document.addEventListener("touchstart", (event) => {
    if (event.touches.length === 2 && event.target.closest?.("#table-box")) pinch = { apart: between(event.touches)[0], zoom };
  }, { passive: true });
  document.addEventListener("touchmove", (event) => {
    if (!pinch || event.touches.length !== 2) return;
    event.preventDefault();
    const [apart, x, y] = between(event.touches);
    zoomTo((pinch.zoom * apart) / pinch.apart, x, y);
  }, { passive: false });
  for (const end of ["touchend", "touchcancel"]) document.addEventListener(end, (event) => { if (event.touches.length < 2) pinch = null; });

  document.addEventListener("pointerdown", (event) => {
    if (!event.target.closest?.("#table-box") || event.button > 0 || pinch) return;
    const group = event.target.closest(".piece"), ground = event.target.closest(".ground");
    if ($("mark-flaw")?.checked && !group && ground) { markFlaw(event, ground); return; }
    if (group) drag(event, group);
    else if (event.pointerType !== "touch") pan(event);
  });

  function following(move, stop) {
    const end = (event) => {
      document.removeEventListener("pointermove", move);
      document.removeEventListener("pointerup", end);
      document.removeEventListener("pointercancel", end);
      stop(event);
    };
    document.addEventListener("pointermove", move);
    document.addEventListener("pointerup", end);
    document.addEventListener("pointercancel", end);
  }

  function drag(event, group) {
    event.preventDefault();
    hold(group.dataset.id);
    group.focus({ preventScroll: true });
    if (group.classList.contains("pinned")) return;
    const into = group.ownerSVGElement.getScreenCTM().inverse();
    const point = (moved) => new DOMPoint(moved.clientX, moved.clientY).matrixTransform(into);
    const from = point(event), id = group.dataset.id, began = at(group);
    let far = [0, 0];
    group.parentNode.append(group);
    following((moved) => {
      if (pinch) return;
      const to = point(moved);
      far = [to.x - from.x, to.y - from.y];
      group.setAttribute("transform", `translate(${far[0]} ${far[1]})`);
    }, (ended) => {
      if (ended.type === "pointercancel" || pinch || Math.hypot(...far) < 1) { group.removeAttribute("transform"); return; }
      ask({ do: "move", id, at: [began[0] + far[0], began[1] - far[1]], differently: isDifferent() });
    });
    group.focus({ preventScroll: true });
  }
  const isDifferent = () => $("differently")?.getAttribute("aria-pressed") === "true";

  function pan(event) {
    const box = $("table-box"), from = [event.clientX + box.scrollLeft, event.clientY + box.scrollTop];
    following((moved) => { box.scrollLeft = from[0] - moved.clientX; box.scrollTop = from[1] - moved.clientY; }, () => {});
  }

  function markFlaw(event, ground) {
    event.preventDefault();
    const svg = ground.ownerSVGElement, into = svg.getScreenCTM().inverse();
    const left = Number(svg.dataset.left) + Number(ground.dataset.start), low = Number(svg.dataset.low);
    const onCloth = (moved) => { const p = new DOMPoint(moved.clientX, moved.clientY).matrixTransform(into); return [p.x - left, low - p.y]; };
    const from = onCloth(event);
    following(() => {}, (ended) => {
      $("mark-flaw").checked = false;
      if (ended.type === "pointerup") ask({ do: "flaw", n: Number(ground.dataset.stretch), at: from, to: onCloth(ended) });
    });
  }

  // ---------------------------------------------------------------- the cut end

  function pull() {
    const slider = $("cut-end"), svg = $("table-box")?.querySelector("svg");
    if (!slider || !svg) return;
    svg.querySelectorAll(".cut-end").forEach((one) => one.remove());
    const groups = [...svg.querySelectorAll(".piece")];
    groups.forEach((one) => one.classList.remove("beyond"));
    if (Number(slider.value) >= Number(slider.max)) { $("cut-end-said").textContent = ""; return; }
    const length = Number(svg.dataset.length) * Number(slider.value), x = Number(svg.dataset.left) + length;
    const line = document.createElementNS("http://www.w3.org/2000/svg", "path");
    line.setAttribute("d", `M${x} 0V${svg.dataset.low}`);
    line.setAttribute("class", "cut-end");
    svg.append(line);
    const over = groups.filter((one) => Number(one.dataset.end) > length + 0.1);
    over.forEach((one) => one.classList.add("beyond"));
    const inches = table().dataset.imperial === "yes";
    const words = inches ? `${(Math.round((length / 914.4) * 8) / 8).toFixed(3).replace(/\.?0+$/, "")} yd` : `${(length / 1000).toFixed(2)} m`;
    $("cut-end-said").textContent = over.length ? `At ${words} these no longer fit: ${over.map((one) => one.getAttribute("aria-label").split(",")[0]).join(", ")}.` : `At ${words} all of it fits.`;
  }
  document.addEventListener("input", (event) => { if (event.target.id === "cut-end") pull(); });
  document.addEventListener("change", (event) => {
    if (event.target.id === "show-inside") $("table-box").classList.toggle("with-inside", event.target.checked);
    if (event.target.id === "show-print") $("table-box").classList.toggle("with-print", event.target.checked);
    if (event.target.id === "show-joins") $("table-box").classList.toggle("with-joins", event.target.checked);
  });

  // ---------------------------------------------------------------- keys and buttons

  document.addEventListener("focusin", (event) => {
    const group = event.target.closest?.("#table-box .piece");
    if (group) hold(group.dataset.id);
  });

  document.addEventListener("keydown", (event) => {
    if (!table() || event.ctrlKey || event.metaKey || event.altKey) return;
    const inBox = event.target.closest?.("#table-box"), group = event.target.closest?.("#table-box .piece");
    if (inBox && { "+": 1, "=": 1, "-": 1, 0: 1 }[event.key]) {
      event.preventDefault();
      zoomTo(event.key === "0" ? 1 : event.key === "-" ? zoom / 1.4 : zoom * 1.4);
      return;
    }
    const inches = table().dataset.imperial === "yes";
    const step = inches ? (event.shiftKey ? 25.4 / 32 : 25.4 / 8) : event.shiftKey ? 1 : 5;
    const way = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    const key = { t: "turn", m: "mirror", p: "pin" }[event.key.toLowerCase()];
    if (group && way) {
      event.preventDefault();
      const [x, y] = at(group);
      ask({ do: "nudge", id: group.dataset.id, at: [x + way[0] * step, y + way[1] * step], differently: isDifferent() });
    } else if (group && key) {
      event.preventDefault();
      ask({ do: key, id: group.dataset.id });
    } else if (inBox && { z: 1, y: 1 }[event.key.toLowerCase()]) {
      event.preventDefault();
      ask({ do: event.key.toLowerCase() === "z" ? "undo" : "redo" });
    }
  });

  const OF_A_PIECE = ["turn", "mirror", "pin", "park", "stretch", "hold"];
  document.addEventListener("click", (event) => {
    if (!table()) return;
    const data = event.target.closest?.("[data-fault], [data-parked], [data-exchange]")?.dataset;
    if (data?.fault) { ask({ do: "mend", n: Number(data.fault) }); return; }
    if (data?.parked) { ask({ do: "unpark", n: Number(data.parked) }); return; }
    if (data?.exchange) { ask({ do: "exchange", n: Number(data.exchange) }); return; }
    const id = event.target.closest?.("button")?.id;
    if (id === "zoom-in") { zoomTo(zoom * 1.5); return; }
    if (id === "zoom-out") { zoomTo(zoom / 1.5); return; }
    if (id === "zoom-fit") { zoomTo(1); return; }
    if (id === "differently") {
      const on = !isDifferent();
      $("differently").setAttribute("aria-pressed", String(on));
      $("table-said").textContent = on ? "Lay each piece where it was really cut: it stays there, and the rest can be laid again." : "";
      return;
    }
    const tool = event.target.closest?.(".table-tools [data-do]");
    if (!tool) return;
    const does = tool.dataset.do;
    if (OF_A_PIECE.includes(does) && !held) { $("table-said").textContent = "Take a piece in hand first: tap it."; return; }
    if (does === "rest" || does === "part") $("table-said").textContent = "Laying it again…";
    if (does === "stretch") { ask({ do: does, id: held, n: Number(held.split(".")[0]) + 1 }); return; }
    if (does === "part") { ask({ do: does, id: held }); return; }
    ask(OF_A_PIECE.includes(does) ? { do: does, id: held } : { do: does });
  });
})();
