// Small local state of the pages; everything that matters happens on the server.
// A lay while it is searched: its picture gets shorter with it, and a curve shows its length over time.
const tighten = (() => {
  const known = new Map();
  return (live, lay) => {
    // Where many things are searched at once, as for the shopping list, the lines alone are told.
    if (!live) return;
    const mine = known.get(lay.label) || { longest: lay.length, seen: [] };
    known.set(lay.label, mine);
    mine.seen.push([lay.at, lay.length]);
    let place = [...live.children].find((one) => one.dataset.label === lay.label);
    if (!place) {
      place = document.createElement("div");
      place.dataset.label = lay.label;
      live.append(place);
    }
    const latest = Math.max(...mine.seen.map(([at]) => at), 0.1), least = Math.min(...mine.seen.map(([, length]) => length));
    const spot = ([at, length]) => `${((at / latest) * 116).toFixed(1)} ${(4 + 32 * (1 - (length - least) / Math.max(mine.longest - least, 1))).toFixed(1)}`;
    const steps = mine.seen.flatMap((one, k) => (k ? [spot([one[0], mine.seen[k - 1][1]]), spot(one)] : [spot(one)]));
    place.innerHTML = `${lay.picture}<svg class="curve" viewBox="0 0 120 40"><path d="M${steps.join("L")}"/></svg>`;
    place.firstElementChild.style.width = `${(100 * lay.length) / mine.longest}%`;
  };
})();
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
  // A select that keeps what is chosen: at once with a mouse or a finger; walked through with the keyboard, only when
  // it is left or Enter is pressed, so that passing by a cloth starts no search.
  Alpine.data("choosing", () => ({
    walked: false,
    changed: false,
    key(event) {
      if (event.key === "Enter" && this.changed) this.keep();
      else if (event.key !== "Tab") this.walked = true;
    },
    pointer() { this.walked = false; },
    change() {
      this.changed = true;
      if (!this.walked) this.keep();
    },
    leave() { if (this.changed) this.keep(); },
    keep() {
      this.changed = false;
      this.$root.dispatchEvent(new CustomEvent("chosen", { bubbles: true }));
    },
  }));
  // Corners of a patch are tapped on the drawing of the cloth: the next empty corner takes the place.
  Alpine.data("corners", () => ({
    place(event) {
      const cloth = event.target.closest("svg").querySelector("[data-cloth]");
      if (!cloth) return;
      const box = cloth.getBoundingClientRect();
      const [length, width, unit, per] = cloth.dataset.cloth.split(" ");
      const along = (event.clientX - box.left) / box.width * length, across = (box.bottom - event.clientY) / box.height * width;
      const rows = [...document.querySelectorAll(".patch .corner")];
      const free = rows.find((row) => [...row.querySelectorAll("input")].every((field) => !field.value));
      if (!free || along < 0 || across < 0 || along > length || across > width) return;
      const [a, b] = free.querySelectorAll("input");
      a.value = (along / per).toFixed(1) + " " + unit;
      b.value = (across / per).toFixed(1) + " " + unit;
      free.closest("details").open = true;
    },
  }));
  // Listens to how far the search is, and shows the station when it is done.
  Alpine.data("searching", () => ({
    lines: [],
    source: null,
    init() {
      const place = this.$root;
      this.source = new EventSource(place.dataset.events);
      this.source.addEventListener("progress", (event) => {
        const said = JSON.parse(event.data);
        this.lines = said.words;
        for (const lay of said.lays) tighten(place.querySelector(".live"), lay);
      });
      this.source.addEventListener("done", () => {
        this.source.close();
        htmx.ajax("GET", place.dataset.page + window.location.search, { target: "#project", select: "#project", swap: "outerHTML" });
      });
    },
    destroy() { if (this.source) this.source.close(); },
  }));
});
// What is half filled is not lost where the units are switched, or a detour begins: it is kept for the way back.
(() => {
  const place = "half-filled:" + window.location.pathname;
  const fields = () => [...document.querySelectorAll("main form input, main form textarea, main form select")]
    .filter((field) => field.name && field.type !== "hidden" && field.type !== "file" && field.type !== "password");
  const keep = () => {
    const units = document.querySelector('main form input[name="shown_in"]');
    const small = units && units.value === "imperial" ? " in" : " cm";
    const found = {};
    for (const field of fields()) {
      const ticked = field.type === "checkbox" || field.type === "radio";
      const is = ticked ? field.checked : field.value, was = ticked ? field.defaultChecked : field.defaultValue;
      if (field.tagName !== "SELECT" && is === was) continue;
      // A bare figure keeps the unit it was written in.
      const bare = field.placeholder && /^(cm|in)$/.test(field.placeholder) && /^[\d\s.,/½¼¾⅛⅜⅝⅞]+$/.test(field.value);
      found[(ticked ? field.name + "=" + field.value : field.name)] = ticked ? is : bare ? field.value.trim() + small : is;
    }
    try { window.sessionStorage.setItem(place, JSON.stringify(found)); } catch { /* a private window keeps nothing */ }
  };
  document.addEventListener("submit", (event) => { if (event.target.closest(".units")) keep(); });
  document.addEventListener("click", (event) => { if (event.target.closest("[data-detour]")) keep(); });
  document.addEventListener("DOMContentLoaded", () => {
    let found = null;
    try {
      found = JSON.parse(window.sessionStorage.getItem(place));
      window.sessionStorage.removeItem(place);
    } catch { return; }
    if (!found) return;
    for (const field of fields()) {
      const ticked = field.type === "checkbox" || field.type === "radio";
      const kept = found[ticked ? field.name + "=" + field.value : field.name];
      if (kept === undefined) continue;
      if (ticked) field.checked = kept; else if (kept !== "" || field.tagName !== "SELECT") field.value = kept;
    }
  });
})();
// What went wrong is found without looking for it: the first field at fault has the focus, or the sentence itself.
(() => {
  const look = (root) => {
    const field = root.querySelector('[aria-invalid="true"]'), told = root.querySelector(".said");
    if (!field && !told) return;
    const first = field || told;
    for (let inside = first.closest("details"); inside; inside = inside.parentElement.closest("details")) inside.open = true;
    if (!field) told.tabIndex = -1;
    first.focus();
  };
  document.addEventListener("DOMContentLoaded", () => look(document));
  document.addEventListener("htmx:afterSettle", (event) => look(event.target));
  // A page that the browser kept may tell of what has changed since.
  window.addEventListener("pageshow", (event) => {
    const typed = [...document.querySelectorAll("main input, main textarea")].some((f) => f.value !== f.defaultValue);
    if (event.persisted && !typed) window.location.reload();
  });
})();
// A part tapped on the line drawing opens its choices and folds the others away; a sentence leads to its field.
document.addEventListener("click", (event) => {
  const link = event.target.closest('#look a[href^="#"], #look a[*|href^="#"]');
  if (!link) return;
  const id = decodeURIComponent(link.getAttribute("href").slice(1));
  const found = document.getElementById(id);
  if (!found) return;
  event.preventDefault();
  const part = found.closest("details.part");
  if (id.startsWith("part-")) {
    document.querySelectorAll("details.part").forEach((other) => { other.open = other === found; });
  } else if (part) part.open = true;
  const field = found.matches("input, select, textarea") ? found : found.querySelector("select, input, textarea");
  (field || found).focus({ preventScroll: true });
  (part || found).scrollIntoView({ block: "nearest" });
});
// A corner of a bound outline is dragged along it, or moved with the arrow keys; its field takes the position.
(() => {
  const ring = (corner) => JSON.parse(corner.ownerSVGElement.dataset.ring);
  const put = (corner, [x, y, position]) => {
    corner.setAttribute("transform", `translate(${x} ${y})`);
    corner.setAttribute("aria-valuenow", position);
    const field = document.querySelector(`input[name="${corner.dataset.field}"]`);
    if (field) field.value = position;
  };
  const nearest = (places, x, y) => places.reduce((best, place) =>
    Math.hypot(place[0] - x, place[1] - y) < Math.hypot(best[0] - x, best[1] - y) ? place : best);
  document.addEventListener("pointerdown", (event) => {
    const corner = event.target.closest?.(".bound .corner");
    if (!corner) return;
    event.preventDefault();
    corner.focus();
    const places = ring(corner), svg = corner.ownerSVGElement;
    const move = (moved) => {
      const at = new DOMPoint(moved.clientX, moved.clientY).matrixTransform(svg.getScreenCTM().inverse());
      put(corner, nearest(places, at.x, at.y));
    };
    const stop = () => {
      document.removeEventListener("pointermove", move);
      document.removeEventListener("pointerup", stop);
    };
    document.addEventListener("pointermove", move);
    document.addEventListener("pointerup", stop);
  });
  document.addEventListener("keydown", (event) => {
    const corner = event.target.closest?.(".bound .corner");
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (!corner || !step) return;
    event.preventDefault();
    const places = ring(corner), now = Number(corner.getAttribute("aria-valuenow"));
    const here = places.findIndex((place) => Math.abs(place[2] - now) < 0.001);
    put(corner, places[(here + step + places.length) % places.length]);
  });
})();

// Of a garment's choices those are there that can be chosen, as what was said so far leaves them.
(() => {
  const holds = (form, said) => said.split("&").every((one) => {
    const [path, values] = one.split("=");
    const field = form.elements.namedItem(path);
    const value = field ? field.value : "";
    return values === undefined ? value !== "" : values.split("|").includes(value);
  });
  const settle = (form) => {
    for (const one of form.querySelectorAll("[data-when]")) one.hidden = !holds(form, one.dataset.when);
  };
  // Until something was said of it, another garment begins with what is usual for that one.
  const valueOf = (field) => (field.type === "checkbox" ? (field.checked ? field.value : "") : field.value);
  const first = (field) => (field.tagName === "SELECT" ? field.options[0].value : "");
  const ofTheGarment = (form) => [...form.elements].filter((field) => field.name?.startsWith("features."));
  const isAsBegun = (form, start) =>
    ofTheGarment(form).every((field) => valueOf(field) === (start[field.name] ?? first(field)));
  const begin = (form, start) => {
    for (const field of ofTheGarment(form)) {
      if (field.type !== "checkbox") field.value = start[field.name] ?? first(field);
    }
  };
  document.addEventListener("DOMContentLoaded", () => {
    const form = document.querySelector("form.describe");
    if (!form) return;
    settle(form);
    const starts = JSON.parse(form.dataset.starts ?? "null");
    let garment = form.elements.namedItem("garment")?.value;
    form.addEventListener("change", (event) => {
      if (event.target.id === "garment") {
        if (starts && isAsBegun(form, starts[garment])) begin(form, starts[event.target.value]);
        garment = event.target.value;
      }
      settle(form);
      // What another garment has is open at once, as it is on a page that begins with it.
      if (event.target.id !== "garment") return;
      for (const part of form.querySelectorAll("details.part[data-when]")) part.open = !part.hidden;
    });
  });
})();
// On a telephone the parts of a garment are folded up, but for those that something was said of.
document.addEventListener("DOMContentLoaded", () => {
  const form = document.querySelector("form.describe");
  if (!form || !window.matchMedia("(max-width: 600px)").matches) return;
  for (const part of form.querySelectorAll("details.part[open]")) {
    const said = [...part.querySelectorAll("input, select, textarea")].some((field) =>
      field.type === "checkbox" ? field.checked : field.tagName === "SELECT" ? field.selectedIndex > 0 : field.value);
    if (!said && !part.querySelector("[aria-invalid]")) part.open = false;
  }
});

// What cannot be is said at the choice too, as soon as it is made, and no longer once it is mended.
{
  const unsay = (form) => {
    for (const said of form.querySelectorAll(".said:not(#said-form)")) {
      const field = document.getElementById(said.id.replace("said-", ""));
      field?.classList.remove("is-wrong");
      field?.removeAttribute("aria-invalid");
      if (field?.getAttribute("aria-describedby") === said.id) {
        const hint = document.getElementById(`hint-${field.id}`);
        if (hint) field.setAttribute("aria-describedby", hint.id);
        else field.removeAttribute("aria-describedby");
      }
      said.remove();
    }
  };
  const say = (field, why) => {
    const said = Object.assign(document.createElement("p"), { className: "said", id: `said-${field.id}`, textContent: why });
    (field.matches("fieldset") ? field : field.closest(".field") ?? field.parentElement).append(said);
    field.classList.add("is-wrong");
    field.setAttribute("aria-invalid", "true");
    field.setAttribute("aria-describedby", said.id);
  };
  // A figure that is needed and not typed yet is no fault so far.
  const isToCome = (field) => !field.value && field.closest(".field")?.querySelector(".needed");
  document.addEventListener("htmx:afterSettle", (event) => {
    const form = event.target.closest("form");
    if (event.target.id !== "look" || !form) return;
    unsay(form);
    for (const link of event.target.querySelectorAll("#cannot-be a")) {
      const field = document.getElementById(decodeURIComponent(link.hash.slice(1)));
      if (!field || !form.contains(field) || isToCome(field) || document.getElementById(`said-${field.id}`)) continue;
      say(field, link.textContent);
    }
  });
}
