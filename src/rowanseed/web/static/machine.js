// One step in large type, at the machine and at the cutting table: the whole order is in the page; what is ticked is kept here until the server has it.
(() => {
  const place = document.getElementById("order");
  if (!place) return;
  const order = JSON.parse(place.textContent);
  const steps = order.steps, byId = Object.fromEntries(steps.map((step) => [step.id, step]));
  const $ = (id) => document.getElementById(id);
  const box = {
    get(name, usual) { try { return JSON.parse(window.localStorage.getItem(name)) ?? usual; } catch { return usual; } },
    set(name, value) { try { window.localStorage.setItem(name, JSON.stringify(value)); } catch { /* a private window keeps nothing */ } },
  };
  const waitingName = "ticks:" + order.key, timersName = "timers:" + order.key;
  let waiting = box.get(waitingName, []), timers = box.get(timersName, {});
  let at = Math.max(0, steps.findIndex((step) => step.id === (new URLSearchParams(window.location.search).get("step") || order.next)));
  let sending = false, told = [];

  // What was ticked here and is not sent yet holds here already.
  for (const tick of waiting) if (byId[tick.step]) byId[tick.step].done = tick.done;

  const el = (tag, text, className) => {
    const made = document.createElement(tag);
    if (text) made.textContent = text;
    if (className) made.className = className;
    return made;
  };
  const minutes = ([low, high]) => (low === high ? `${low} min` : `${low}–${high} min`);

  function show() {
    const step = steps[at];
    const settings = $("settings");
    settings.replaceChildren();
    // Changed settings first, then those that stay.
    for (const [what, how, changed] of [...step.settings].sort((a, b) => b[2] - a[2])) {
      const one = el("div", "", changed ? "new" : "");
      one.append(el("small", changed ? `${what}: change` : what), document.createTextNode(how));
      settings.append(one);
    }
    if (step.tension) { const one = el("div"); one.append(el("small", "Tension, from your sample"), document.createTextNode(step.tension)); settings.append(one); }
    if (step.note) { const one = el("div"); one.append(el("small", "Note"), document.createTextNode(step.note)); settings.append(one); }
    $("title").textContent = step.title;
    $("how").replaceChildren(...step.how.map((line) => el("li", line)));
    $("mind").replaceChildren(...step.mind.map((line) => { const p = el("p"); p.append(el("b", "Mind: "), document.createTextNode(line)); return p; }));
    $("look").replaceChildren(...(step.look ? [el("b", "It is right when: "), document.createTextNode(step.look)] : []));
    $("caution").textContent = step.caution;
    $("caution").hidden = !step.caution;
    const missing = step.needs.filter((id) => byId[id] && !byId[id].done && !byId[id].settled);
    $("where").textContent = `${order.name} · ${step.bench} · step ${at + 1} of ${steps.length}${step.minutes ? ` · ${minutes(step.minutes)}` : ""}`;
    if (step.done) $("where").append(el("span", " · done", "done-mark"));
    $("next").textContent = step.done ? "Next ▶" : missing.length ? "Not yet: on without a tick ▶" : "Done, next ▶";
    $("back").disabled = at === 0;
    $("links").replaceChildren(...step.links.map(([address, words]) => { const link = el("a", words); link.href = address; return link; }));
    showPictures(step);
    showTimers(step);
    const notYet = missing.length && !step.done ? [`First: ${missing.map((id) => byId[id].title).join("; ")}.`] : [];
    $("told").replaceChildren();
    const said = [...told, ...notYet];
    if (said.length) { const list = el("ul"); list.append(...said.map((line) => el("li", line))); $("told").append(list); }
    $("main").scrollTop = 0;
  }

  function showPictures(step) {
    $("pictures").replaceChildren();
    for (const [address, words] of step.pictures) {
      const image = new Image();
      image.alt = `${words}: ${step.title}`;
      image.addEventListener("error", () => image.remove());
      image.src = address;
      $("pictures").append(image);
    }
    if (!step.shows.length) return;
    const [title, ...names] = step.shows, list = el("ol");
    list.append(...names.map((name) => el("li", name)));
    $("pictures").append(el("p", `${title}. The dark face is the right side.`), list);
  }

  // ---------------------------------------------------------------- timers

  const clock = (seconds) => `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, "0")}`;

  function showTimers(step) {
    const list = $("timers");
    list.replaceChildren();
    if (step.overnight) {
      const from = timers[step.id] ? new Date(timers[step.id]) : new Date();
      const until = new Date(from.getTime() + step.waits * 60000);
      const words = until.toLocaleString(undefined, { weekday: "long", day: "numeric", month: "long", hour: "2-digit", minute: "2-digit" });
      list.append(el("p", `Leave it until ${words}.`));
      return;
    }
    const seconds = step.place || step.waits * 60;
    if (!seconds) return;
    const button = el("button", "", "");
    button.type = "button";
    button.id = "timer";
    button.dataset.seconds = seconds;
    button.addEventListener("click", (event) => { event.stopPropagation(); startTimer(step, seconds); });
    list.append(button);
    drawTimer(step);
  }

  function startTimer(step, seconds) {
    timers[step.id] = Date.now() + (step.overnight ? 0 : seconds * 1000);
    box.set(timersName, timers);
    wakeSound();
    drawTimer(step);
  }

  function drawTimer(step) {
    const button = $("timer");
    if (!button) return;
    const seconds = Number(button.dataset.seconds), until = timers[step.id];
    const left = until ? (until - Date.now()) / 1000 : null;
    const what = step.place ? "each place" : "let it rest";
    if (left === null || left < -600) { button.textContent = `Timer: ${clock(seconds)} ${what}`; button.className = ""; return; }
    button.className = left <= 0 ? "over" : "";
    button.textContent = left <= 0 ? `Time is up: ${what}. Again` : `${clock(left + 0.99)} ${what}`;
    if (left > 0 || left <= -1.2) return;
    if (navigator.vibrate) navigator.vibrate([200, 100, 200]);
    ring();
  }

  // Browsers let a page sound only after a touch: the sound is made ready when the timer is started.
  let sound = null;
  function wakeSound() {
    try { sound = sound || new AudioContext(); sound.resume(); } catch { sound = null; }
  }
  function ring() {
    if (!sound) return;
    for (const after of [0, 0.28]) {
      const tone = sound.createOscillator(), loud = sound.createGain(), from = sound.currentTime + after;
      tone.frequency.value = 880;
      loud.gain.setValueAtTime(0.2, from);
      loud.gain.exponentialRampToValueAtTime(0.001, from + 0.22);
      tone.connect(loud).connect(sound.destination);
      tone.start(from);
      tone.stop(from + 0.25);
    }
  }
  window.setInterval(() => drawTimer(steps[at]), 1000);

  // ---------------------------------------------------------------- ticks

  function tick(step, done) {
    step.done = done;
    waiting.push({ step: step.id, done, at: new Date().toISOString() });
    box.set(waitingName, waiting);
    if (step.overnight) { timers[step.id] = Date.now(); box.set(timersName, timers); }
    send();
  }

  function state() {
    const many = waiting.length === 1 ? "1 tick" : `${waiting.length} ticks`;
    $("line-state").textContent = waiting.length ? (navigator.onLine ? `${many} being sent` : `No network: ${many} kept here`) : navigator.onLine ? "" : "No network: it works on";
  }

  async function send() {
    state();
    if (sending || !waiting.length) return;
    sending = true;
    const ticks = [...waiting];
    try {
      const answer = await fetch(order.ticks_to, {
        method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify({ ticks }),
      });
      if (answer.ok) {
        const said = await answer.json();
        waiting = waiting.slice(ticks.length);
        box.set(waitingName, waiting);
        for (const step of steps) step.done = said.done.includes(step.id);
        for (const later of waiting) if (byId[later.step]) byId[later.step].done = later.done;
        told = said.refused.map((one) => `${byId[one.step] ? byId[one.step].title : "A step"}: not ticked. ${one.said}`);
        if (said.order !== order.order) told.push("The order has been changed since this page was opened: leave it and open it again.");
        show();
      } else if (answer.status < 500) {
        told = ["The ticks made here could not be taken: open the page again, and look at the order."];
        waiting = [];
        box.set(waitingName, waiting);
        show();
      }
    } catch { /* no network: they are sent when there is one */ }
    sending = false;
    state();
  }
  window.addEventListener("online", send);
  window.addEventListener("offline", state);
  window.setInterval(() => { if (waiting.length && navigator.onLine) send(); }, 15000);

  // ---------------------------------------------------------------- going on and back

  function following() {
    const rest = [...steps.slice(at + 1), ...steps.slice(0, at + 1)];
    const open = rest.find((step) => !step.done && !step.settled && step.needs.every((id) => byId[id].done || byId[id].settled));
    return open ? steps.indexOf(open) : Math.min(at + 1, steps.length - 1);
  }
  function go(to) { at = Math.min(Math.max(to, 0), steps.length - 1); show(); $("main").focus({ preventScroll: true }); }
  function next() {
    const step = steps[at];
    told = [];
    const ready = step.needs.every((id) => !byId[id] || byId[id].done || byId[id].settled);
    if (!step.done && ready) { tick(step, true); go(following()); return; }
    go(at + 1);
  }
  function back() { told = []; go(at - 1); }

  $("next").addEventListener("click", (event) => { event.stopPropagation(); next(); });
  $("back").addEventListener("click", (event) => { event.stopPropagation(); back(); });
  $("main").addEventListener("click", (event) => {
    if (event.target.closest("button, a, input") || window.getSelection()?.toString()) return;
    if (event.clientX < window.innerWidth / 2) back(); else next();
  });
  document.addEventListener("keydown", (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const onControl = event.target.closest?.("header button, header a, #timers button, #links a");
    if (onControl && (event.key === " " || event.key === "Enter")) return;
    const does = { " ": next, Enter: next, ArrowRight: next, PageDown: next, ArrowLeft: back, PageUp: back, Backspace: back,
      n: () => { told = []; go(at + 1); }, d: turnTheme, t: () => $("timer")?.click() }[event.key.length === 1 ? event.key.toLowerCase() : event.key];
    if (!does || event.repeat) return;
    event.preventDefault();
    does();
  });

  // ---------------------------------------------------------------- light, screen, network

  function paint(theme) {
    document.documentElement.dataset.theme = theme;
    $("theme").textContent = theme === "dark" ? "Light" : "Dark";
  }
  function turnTheme() {
    const theme = document.documentElement.dataset.theme === "dark" ? "light" : "dark";
    box.set("machine-theme", theme);
    paint(theme);
  }
  $("theme").addEventListener("click", turnTheme);
  paint(box.get("machine-theme", window.matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light"));
  $("keys").addEventListener("click", () => {
    const open = $("help").hidden;
    $("help").hidden = !open;
    $("keys").setAttribute("aria-expanded", String(open));
  });
  async function stayAwake() { try { await navigator.wakeLock?.request("screen"); } catch { /* the battery is low, or it may not */ } }
  document.addEventListener("visibilitychange", () => { if (document.visibilityState === "visible") { stayAwake(); send(); } });
  stayAwake();

  async function keepForLater() {
    if (!("serviceWorker" in navigator)) return;
    try {
      await navigator.serviceWorker.register("/machine-worker.js");
      const worker = (await navigator.serviceWorker.ready).active;
      const pages = [window.location.pathname, ...document.querySelectorAll("link[href], script[src]")].map((one) => (typeof one === "string" ? one : one.href || one.src));
      // The steps to come first.
      const drawings = [...steps.slice(at), ...steps.slice(0, at)].flatMap((step) => step.pictures.map(([address]) => address));
      worker.postMessage({ keep: pages, then: drawings });
      document.documentElement.dataset.kept = "asked";
      navigator.serviceWorker.addEventListener("message", (event) => { if (event.data === "kept") document.documentElement.dataset.kept = "yes"; });
    } catch { /* without it the page works while the network does */ }
  }
  show();
  send();
  keepForLater();
})();
