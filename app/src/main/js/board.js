// The board: moves, turns and raises the chosen camera, has every pose judged, and hands what was moved over to be saved.
// At most one pose is on its way to the server; while it is, only the newest further one is remembered.

import { isTyping, onDrawing, patched, send, show } from "./exchange.js";
import { figure } from "./figures.js";
import { startLettering } from "./lettering.js";
import { startPicture } from "./picture.js";
import { startSaves } from "./saves.js";
import { startSpots } from "./spots.js";
import { startUndo } from "./undo.js";
import { startWalk } from "./walk.js";
import { startZoom } from "./zoom.js";

const MOVE_M = 0.1;
const MOVE_FAR_M = 0.5;
const TURN_DEG = 5;
const RAISE_M = 0.1;
const TILT_DEG = 1;
const JUDGE_AGAIN_MS = 2000;
/** Farther outside the plan than this a camera is asked about. */
const FAR_M = 3;

function startBoard() {
  const perch = document.getElementById("perch");
  const form = document.getElementById("pose-form");
  document.getElementById("which-camera")?.addEventListener("change", (event) => {
    location.assign(event.target.dataset.go + event.target.value);
  });
  const plan = document.getElementById("plan");
  for (const button of document.querySelectorAll("[data-layer]")) {
    button.addEventListener("click", () => {
      const shown = button.getAttribute("aria-pressed") !== "true";
      button.setAttribute("aria-pressed", String(shown));
      plan.classList.toggle("no-" + button.dataset.layer, !shown);
    });
  }
  if (plan?.classList.contains("zoomable")) {
    startZoom(plan);
    startLettering(plan);
  }
  if (!perch || !form) {
    return;
  }
  const turn = document.getElementById("perch-turn");
  const state = document.getElementById("save-state");
  const fields = {
    x: document.getElementById("pose-x"), y: document.getElementById("pose-y"), heightM: document.getElementById("pose-height"),
    headingDeg: document.getElementById("pose-heading"), tiltDeg: document.getElementById("pose-tilt"),
  };
  const night = document.querySelector('[data-picture="night"]');
  let contours = form.dataset.contours;
  let pose = read();
  let inFlight = false;
  let newest = null;
  let owed = false;
  let again = null;
  const saves = startSaves({
    base: form.dataset.base, version: Number(form.dataset.version), look, say,
    saved: (page) => {
      if (inFlight) {
        // A newer pose is being judged; what was saved may not be in that answer yet.
        owed = true;
      } else {
        take(page);
      }
    },
  });

  function read() {
    const number = (field) => figure(field.value);
    return {
      x: number(fields.x), y: -number(fields.y), heightM: number(fields.heightM),
      headingDeg: number(fields.headingDeg), tiltDeg: number(fields.tiltDeg),
    };
  }

  /** What is being looked at: everything that changes the answer besides the camera. */
  function look() {
    const said = { panel: form.dataset.panel, night: night?.getAttribute("aria-pressed") ?? "false", contours };
    said.lines = Array.from(document.querySelectorAll("[data-line]"), (line) => line.dataset.line).join(" ");
    for (const control of document.querySelectorAll("[data-look]")) {
      said[control.dataset.look] = control.value;
    }
    return said;
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

  const undoable = startUndo({ isTyping });

  function moved(changed, since, gesture) {
    const before = { ...pose };
    put(changed, since, gesture);
    const after = { ...pose };
    undoable({ what: "the move", back: () => put(before), again: () => put(after), gesture });
  }

  function put(changed, since, gesture) {
    draw(changed);
    judge(since);
    saves.addPose(pose, gesture);
    question();
  }

  /** A camera far from everything on the plan is asked about: it is rarely meant. */
  function question() {
    const far = document.getElementById("far-away");
    const { minX, maxX, minY, maxY } = JSON.parse(far.dataset.within);
    const off = Math.max(minX - pose.x, pose.x - maxX, minY - pose.y, pose.y - maxY, 0);
    far.hidden = off <= FAR_M;
    far.textContent = off <= FAR_M ? "" : `It hangs ${off.toFixed(0)} m outside everything on the plan. Is that meant?`;
  }

  /** Whatever becomes of one answer, the next pose is judged. */
  async function judge(since) {
    newest = { pose: { ...pose }, since };
    if (inFlight) {
      return;
    }
    inFlight = true;
    clearTimeout(again);
    try {
      while (newest) {
        const { pose: tried, since: from } = newest;
        newest = null;
        await judgeOne(tried, from);
        if (owed && !newest && !saves.waiting()) {
          owed = false;
          newest = { pose: { ...pose } };
        }
      }
    } finally {
      inFlight = false;
    }
  }

  async function judgeOne(tried, since) {
    const answer = await send("POST", `${form.dataset.base}/try`, { ...tried, version: saves.version(), look: look() });
    if (answer.ok && answer.page.getElementById("live-version")) {
      take(answer.page);
      document.dispatchEvent(new CustomEvent("board-judged", { detail: { since } }));
      return;
    }
    if (answer.unheard || answer.ok) {
      again = setTimeout(judge, JUDGE_AGAIN_MS);
    }
    if (!saves.waiting()) {
      say(answer.unheard ? `not judged: ${answer.problem}. It is tried again by itself.` : answer.problem ?? "not judged", "bad");
    }
  }

  function take(page) {
    show(page, patched);
    contours = page.getElementById("live-version")?.dataset.contours || contours;
    document.dispatchEvent(new CustomEvent("board-shown"));
  }

  function say(words, kind) {
    state.textContent = words;
    state.className = "saved " + kind;
  }

  // Moving and turning with mouse, pen or finger.
  let dragging = null;
  let drags = 0;
  perch.addEventListener("pointerdown", (event) => {
    dragging = event.target.id === "perch-handle" ? "turn" : "move";
    drags += 1;
    plan.dataset.held = "true";
    perch.setPointerCapture(event.pointerId);
    perch.focus({ preventScroll: true });
    event.preventDefault();
  });
  perch.addEventListener("pointermove", (event) => {
    if (!dragging) {
      return;
    }
    const at = onDrawing(plan, event);
    if (dragging === "move") {
      moved({ x: at.x, y: at.y }, event.timeStamp, drags);
    } else {
      moved({ headingDeg: Math.round(Math.atan2(at.x - pose.x, pose.y - at.y) * 180 / Math.PI) }, event.timeStamp, drags);
    }
  });
  for (const end of ["pointerup", "pointercancel"]) {
    perch.addEventListener(end, () => {
      dragging = null;
      plan.dataset.held = "false";
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
      for (const each of Object.values(fields)) {
        each.setAttribute("aria-invalid", String(Number.isNaN(figure(each.value))));
      }
      if (bad) {
        say("that is not a number", "bad");
      } else {
        moved(typed);
      }
    });
  }
  form.addEventListener("submit", (event) => event.preventDefault());

  for (const control of document.querySelectorAll("[data-look]")) {
    control.addEventListener(control.type === "range" ? "input" : "change", () => judge());
  }
  night?.addEventListener("click", () => {
    night.setAttribute("aria-pressed", String(night.getAttribute("aria-pressed") !== "true"));
    judge();
  });

  startPicture({ plan, add: saves.add, undoable });
  question();
  startWalk({ plan });
  startSpots({
    base: form.dataset.base, poseNow: () => ({ ...pose }), tryPose: (tried) => moved(tried), isTyping,
    pxInMetres: Number(form.dataset.metresPx),
  });
  startReadingTap(plan);
}

/** In the signal panel a tap on empty ground says where a reading was made. */
function startReadingTap(plan) {
  const reading = document.getElementById("reading-form");
  if (!reading) {
    return;
  }
  let down = null;
  plan.addEventListener("pointerdown", (event) => {
    down = { x: event.clientX, y: event.clientY };
  });
  // Also a tap on a camera: the reading beside it is the one that counts for it. A drag moves the camera and is no reading.
  plan.addEventListener("pointerup", (event) => {
    if (!down || Math.hypot(event.clientX - down.x, event.clientY - down.y) > 5) {
      return;
    }
    const at = onDrawing(plan, event);
    fill(at.x, -at.y);
    mark(at);
  });
  for (const button of document.querySelectorAll("[data-correct-reading]")) {
    button.addEventListener("click", () => {
      reading.action = `${reading.dataset.base}/${button.dataset.id}`;
      reading.elements.readHeight.value = button.dataset.height;
      reading.elements.readBand.value = button.dataset.band;
      reading.elements.readAs.value = "dbm";
      reading.elements.readValue.value = button.dataset.dbm;
      reading.querySelector("button").textContent = "Correct it";
      fill(Number(button.dataset.x), Number(button.dataset.y));
      mark({ x: Number(button.dataset.x), y: -Number(button.dataset.y) });
      reading.scrollIntoView({ block: "nearest" });
    });
  }

  function fill(x, y) {
    reading.elements.readX.value = x.toFixed(2);
    reading.elements.readY.value = y.toFixed(2);
    reading.elements.readValue.focus({ preventScroll: true });
  }

  function mark(at) {
    const sketch = document.getElementById("sketching");
    const size = Number(document.getElementById("pose-form").dataset.metresPx);
    sketch.replaceChildren();
    const cross = document.createElementNS("http://www.w3.org/2000/svg", "path");
    cross.setAttribute("d", `M${at.x - 8 * size} ${at.y}h${16 * size}M${at.x} ${at.y - 8 * size}v${16 * size}`);
    sketch.append(cross);
  }
}

startBoard();
