// The projector: what is drawn in mm is shown in the pixels that the projector makes of them, measured by two taps.
(() => {
  const stage = document.getElementById("stage");
  if (!stage) return;
  const $ = (id) => document.getElementById(id);
  const world = $("world"), imperial = document.body.dataset.imperial === "yes";
  const UNIT = imperial ? 25.4 : 10, NAME = imperial ? "in" : "cm";
  const FIRST = imperial ? 8 : 20, SECOND = imperial ? 4 : 10;
  const CSS_PX = 96 / 25.4;
  const box = {
    get(name, usual) { try { return JSON.parse(window.localStorage.getItem(name)) ?? usual; } catch { return usual; } },
    set(name, value) { try { window.localStorage.setItem(name, JSON.stringify(value)); } catch { /* a private window keeps nothing */ } },
  };
  const pieces = [...document.querySelectorAll("#pieces > .piece")], laid = [...document.querySelectorAll("#lay > .piece")];
  const screenNow = () => `${window.innerWidth}×${window.innerHeight}×${window.devicePixelRatio}`;
  let scale = box.get("projector-scale", null);
  let line = box.get("projector-line", 2), mirrored = false, turned = 0, grid = false, whole = false;
  let at = 0, moved = [0, 0], asking = "", corners = [];

  const isTrue = () => Boolean(scale && scale.checked && scale.screen === screenNow());
  const perMm = () => (scale ? [scale.x, scale.y] : [CSS_PX, CSS_PX]);

  // ---------------------------------------------------------------- what is shown

  function show() {
    const [kx, ky] = perMm(), group = whole ? laid[at] : pieces[at];
    $("pieces").classList.toggle("away", whole);
    if ($("lay")) $("lay").classList.toggle("away", !whole);
    pieces.forEach((one, k) => one.classList.toggle("away", k !== at));
    laid.forEach((one, k) => one.classList.toggle("faint", k !== at));
    const wide = Number(group.dataset.wide), tall = Number(group.dataset.tall);
    const hand = mirrored ? -1 : 1, bar = $("bar").classList.contains("away") ? 0 : $("bar").offsetHeight;
    const x = window.innerWidth / 2 + moved[0], y = (window.innerHeight - bar) / 2 + moved[1];
    world.setAttribute("transform", `translate(${x} ${y}) scale(${kx * hand} ${ky}) rotate(${turned}) translate(${-wide / 2} ${-tall / 2})`);
    document.documentElement.style.setProperty("--line", `${line}px`);
    const many = whole ? laid.length : pieces.length, now = whole ? laid[at] : pieces[at];
    const state = isTrue() ? "true size" : scale && scale.checked ? "the window has changed: calibrate again" : "not calibrated: do not cut by it";
    $("shown").textContent = `${now.dataset.name} · ${at + 1} of ${many} · ${state}${mirrored ? " · mirrored" : ""}`;
    drawGrid();
  }

  function drawGrid() {
    const [kx, ky] = perMm(), lines = [];
    if (grid) {
      for (let x = 0; x < window.innerWidth; x += kx * UNIT) lines.push(`M${x} 0V${window.innerHeight}`);
      for (let y = 0; y < window.innerHeight; y += ky * UNIT) lines.push(`M0 ${y}H${window.innerWidth}`);
    }
    $("grid").innerHTML = lines.length ? `<path d="${lines.join("")}"/>` : "";
  }

  function go(by) {
    const many = whole ? laid.length : pieces.length;
    at = (at + by + many) % many;
    moved = [0, 0];
    show();
  }
  const does = {
    next: () => go(1),
    before: () => go(-1),
    mirror: () => { mirrored = !mirrored; $("mirror").setAttribute("aria-pressed", String(mirrored)); show(); },
    turn: () => { turned = (turned + 90) % 360; show(); },
    thinner: () => { line = Math.max(0.5, line - 0.5); box.set("projector-line", line); show(); },
    thicker: () => { line = Math.min(12, line + 0.5); box.set("projector-line", line); show(); },
    lattice: () => { grid = !grid; $("lattice").setAttribute("aria-pressed", String(grid)); show(); },
    middle: () => { moved = [0, 0]; show(); },
    what: () => { if (!$("what")) return; whole = !whole; at = 0; moved = [0, 0]; $("what").setAttribute("aria-pressed", String(whole)); show(); },
    more: () => { $("tools").hidden = !$("tools").hidden; $("more").setAttribute("aria-expanded", String(!$("tools").hidden)); show(); },
    bar: () => { $("bar").classList.toggle("away"); show(); },
    calibrate: () => ask("first"),
  };

  // ---------------------------------------------------------------- calibrating

  function ask(what) {
    asking = what;
    corners = [];
    $("marks").innerHTML = "";
    $("asking").hidden = !what;
    stage.classList.toggle("asking", what === "first");
    world.style.display = what ? "none" : "";
    $("side-of").hidden = what !== "first";
    $("measured").hidden = what !== "check";
    if (what === "first") {
      $("side").value = $("side").value || FIRST;
      $("side-unit").textContent = NAME;
      $("ask").textContent = "Lay a square of paper, or one that is drawn on the mat, square under the projector. Tap one corner of it, then the corner across.";
    }
    if (what === "check") {
      const [kx, ky] = perMm(), wide = SECOND * UNIT * kx, tall = SECOND * UNIT * ky;
      const left = Math.min(window.innerWidth * 0.6, window.innerWidth - wide - 10), top = Math.max(10, window.innerHeight * 0.12);
      $("marks").innerHTML = `<rect id="check-square" x="${left}" y="${top}" width="${wide}" height="${tall}"/>`;
      $("wide").value = $("tall").value = SECOND;
      $("ask").textContent = `Now measure this square on the mat: it should be ${SECOND} ${NAME} each way.`;
    }
    if (what) show(); else { show(); stage.focus(); }
  }

  const typed = (id) => {
    const value = Number($(id).value.trim().replace(",", "."));
    const fine = Number.isFinite(value) && value > 0;
    $(id).setAttribute("aria-invalid", String(!fine));
    return fine ? value : null;
  };

  function corner(x, y) {
    corners.push([x, y]);
    $("marks").innerHTML += `<path d="M${x - 12} ${y}h24M${x} ${y - 12}v24"/>`;
    if (corners.length < 2) { $("ask").textContent = "And now the corner across."; return; }
    const side = typed("side"), wide = Math.abs(corners[1][0] - corners[0][0]), tall = Math.abs(corners[1][1] - corners[0][1]);
    if (!side || wide < 40 || tall < 40 || Math.max(wide, tall) > 1.5 * Math.min(wide, tall)) {
      ask("first");
      $("ask").textContent = side ? "These two are no corners across a square: tap them again." : `How long is a side of it? A number in ${NAME}.`;
      return;
    }
    scale = { x: wide / (side * UNIT), y: tall / (side * UNIT), checked: false, screen: screenNow() };
    ask("check");
  }

  $("right").addEventListener("click", () => {
    scale.checked = true;
    box.set("projector-scale", scale);
    ask("");
  });
  $("correct").addEventListener("click", () => {
    const wide = typed("wide"), tall = typed("tall");
    if (!wide || !tall) return;
    scale = { ...scale, x: scale.x * SECOND / wide, y: scale.y * SECOND / tall };
    ask("check");
  });
  $("stop").addEventListener("click", () => { scale = box.get("projector-scale", null); ask(""); });

  // ---------------------------------------------------------------- hands and keys

  let from = null;
  stage.addEventListener("pointerdown", (event) => {
    if (asking === "first") { corner(event.clientX, event.clientY); return; }
    from = [event.clientX - moved[0], event.clientY - moved[1]];
    stage.setPointerCapture(event.pointerId);
  });
  stage.addEventListener("pointermove", (event) => { if (from) { moved = [event.clientX - from[0], event.clientY - from[1]]; show(); } });
  for (const end of ["pointerup", "pointercancel"]) stage.addEventListener(end, () => { from = null; });
  for (const [id, name] of [["after", "next"], ...["before", "mirror", "turn", "thinner", "thicker", "lattice", "middle", "what", "more", "calibrate"].map((n) => [n, n])]) {
    $(id)?.addEventListener("click", does[name]);
  }
  const KEYS = { n: "next", b: "before", m: "mirror", t: "turn", g: "lattice", "+": "thicker", "-": "thinner", h: "bar", c: "calibrate" };
  document.addEventListener("keydown", (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target.closest("input")) return;
    const steps = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (steps) {
      const by = event.shiftKey ? 1 : 20;
      moved = [moved[0] + steps[0] * by, moved[1] + steps[1] * by];
      event.preventDefault();
      show();
      return;
    }
    const name = KEYS[event.key.length === 1 ? event.key.toLowerCase() : event.key];
    if (name) { event.preventDefault(); does[name](); }
  });
  window.addEventListener("resize", show);
  show();
})();
