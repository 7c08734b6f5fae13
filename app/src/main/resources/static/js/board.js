// The board: moves, turns and raises the chosen camera, has every pose judged, and saves the last one.
// At most one pose is on its way to the server; while it is, only the newest further one is remembered.

const MOVE_M = 0.1;
const MOVE_FAR_M = 0.5;
const TURN_DEG = 5;
const RAISE_M = 0.1;
const TILT_DEG = 1;
const SAVE_AFTER_MS = 350;

export function startBoard() {
  const perch = document.getElementById("perch");
  const form = document.getElementById("pose-form");
  document.getElementById("which-camera")?.addEventListener("change", (event) => {
    location.assign(event.target.dataset.go + event.target.value);
  });
  if (!perch || !form) {
    return;
  }
  const plan = document.getElementById("plan");
  const turn = document.getElementById("perch-turn");
  const state = document.getElementById("save-state");
  const fields = {
    x: document.getElementById("pose-x"), y: document.getElementById("pose-y"), heightM: document.getElementById("pose-height"),
    headingDeg: document.getElementById("pose-heading"), tiltDeg: document.getElementById("pose-tilt"),
  };
  let version = Number(form.dataset.version);
  let pose = read();
  let inFlight = false;
  let newest = null;
  let saveTimer = null;

  function read() {
    const number = (field) => Number(field.value.replace(",", ".").replace("\u2212", "-"));
    return {
      x: number(fields.x), y: -number(fields.y), heightM: number(fields.heightM),
      headingDeg: number(fields.headingDeg), tiltDeg: number(fields.tiltDeg),
    };
  }

  function draw(changed) {
    pose = { ...pose, ...changed };
    pose.headingDeg = ((pose.headingDeg % 360) + 360) % 360;
    perch.setAttribute("transform", `translate(${pose.x.toFixed(3)} ${pose.y.toFixed(3)}) scale(${perch.dataset.scale})`);
    turn.setAttribute("transform", `rotate(${pose.headingDeg.toFixed(1)})`);
    fields.x.value = pose.x.toFixed(2);
    fields.y.value = (-pose.y).toFixed(2);
    fields.heightM.value = pose.heightM.toFixed(2);
    fields.headingDeg.value = pose.headingDeg.toFixed(0);
    fields.tiltDeg.value = pose.tiltDeg.toFixed(0);
  }

  function moved(changed) {
    draw(changed);
    judge();
    saveSoon();
  }

  async function judge() {
    newest = { ...pose, version };
    if (inFlight) {
      return;
    }
    inFlight = true;
    while (newest) {
      const tried = newest;
      newest = null;
      const answer = await send("POST", form.dataset.try, tried);
      if (answer.ok) {
        show(answer.page);
      } else {
        say(answer.problem, "bad");
      }
    }
    inFlight = false;
  }

  function saveSoon() {
    say("not saved yet", "busy");
    clearTimeout(saveTimer);
    saveTimer = setTimeout(save, SAVE_AFTER_MS);
  }

  async function save() {
    say("saving", "busy");
    const answer = await send("PUT", form.dataset.save, { ...pose, version });
    if (answer.ok) {
      version = Number(answer.page.getElementById("live-version").dataset.version);
      show(answer.page);
      say("saved", "");
    } else {
      say(answer.problem, "bad");
    }
  }

  function say(words, kind) {
    state.textContent = words;
    state.className = "saved " + kind;
  }

  // Moving and turning with mouse, pen or finger.
  let dragging = null;
  perch.addEventListener("pointerdown", (event) => {
    dragging = event.target.id === "perch-handle" ? "turn" : "move";
    perch.setPointerCapture(event.pointerId);
    perch.focus();
    event.preventDefault();
  });
  perch.addEventListener("pointermove", (event) => {
    if (!dragging) {
      return;
    }
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(plan.getScreenCTM().inverse());
    if (dragging === "move") {
      moved({ x: at.x, y: at.y });
    } else {
      moved({ headingDeg: Math.round(Math.atan2(at.x - pose.x, pose.y - at.y) * 180 / Math.PI) });
    }
  });
  for (const end of ["pointerup", "pointercancel"]) {
    perch.addEventListener(end, () => {
      dragging = null;
    });
  }

  perch.addEventListener("keydown", (event) => {
    const step = event.shiftKey ? MOVE_FAR_M : MOVE_M;
    const change = {
      ArrowLeft: { x: pose.x - step }, ArrowRight: { x: pose.x + step }, ArrowUp: { y: pose.y - step }, ArrowDown: { y: pose.y + step },
      ",": { headingDeg: pose.headingDeg - TURN_DEG }, ".": { headingDeg: pose.headingDeg + TURN_DEG },
      PageUp: { heightM: pose.heightM + RAISE_M }, PageDown: { heightM: Math.max(0.2, pose.heightM - RAISE_M) },
      t: { tiltDeg: pose.tiltDeg + TILT_DEG }, g: { tiltDeg: pose.tiltDeg - TILT_DEG },
    }[event.key];
    if (change) {
      event.preventDefault();
      event.stopPropagation();
      moved(change);
    }
  });

  perch.addEventListener("wheel", (event) => {
    event.preventDefault();
    moved({ heightM: Math.max(0.2, pose.heightM - Math.sign(event.deltaY) * RAISE_M) });
  }, { passive: false });

  for (const button of form.querySelectorAll("[data-nudge]")) {
    button.addEventListener("click", () => {
      moved({ [button.dataset.nudge]: pose[button.dataset.nudge] + Number(button.dataset.by) });
    });
  }

  for (const field of Object.values(fields)) {
    field.addEventListener("change", () => {
      const typed = read();
      const bad = Object.values(typed).some(Number.isNaN);
      field.setAttribute("aria-invalid", String(bad));
      if (bad) {
        say("that is not a number", "bad");
      } else {
        moved(typed);
      }
    });
  }
  form.addEventListener("submit", (event) => event.preventDefault());
}

/** Puts the moving parts of an answered page where they belong on this one. */
function show(page) {
  for (const part of page.querySelectorAll("[data-live]")) {
    for (const place of document.querySelectorAll(`[data-live="${part.dataset.live}"]`)) {
      place.replaceChildren(...Array.from(part.childNodes, (node) => document.importNode(node, true)));
    }
  }
}

async function send(method, address, body) {
  const header = document.querySelector('meta[name="csrf-header"]').content;
  const token = document.querySelector('meta[name="csrf-token"]').content;
  try {
    const response = await fetch(address, {
      method, body: JSON.stringify(body),
      headers: { "Content-Type": "application/json", Accept: "text/html, application/problem+json", [header]: token },
    });
    const text = await response.text();
    if (response.ok) {
      return { ok: true, page: new DOMParser().parseFromString(text, "text/html") };
    }
    return { ok: false, problem: problemOf(text) };
  } catch {
    return { ok: false, problem: "No connection: not saved. It is tried again at the next move." };
  }
}

function problemOf(text) {
  try {
    return JSON.parse(text).detail;
  } catch {
    return "That was not taken. Reload the page.";
  }
}
