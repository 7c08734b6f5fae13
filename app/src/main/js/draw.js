// Drawing on the sheet. This file finds points: by pointer, by the arrow keys or typed, caught by ends, walls, axes and
// the grid. What an edit does to the plan, and whether it may, the server says.

import { along, caught, foot, headingDeg } from "./catching.js";
import { isTyping, onDrawing, request } from "./exchange.js";
import { figure } from "./figures.js";
import { startLettering } from "./lettering.js";
import { goesOn, measured } from "./measured.js";
import { startSheet } from "./sheet.js";
import { startZoom } from "./zoom.js";

const SVG = "http://www.w3.org/2000/svg";
const CATCH_PX = 12;
const GRID_M = 0.1;
const LINES = { wall: false, path: false, area: true, boundary: true, scale: false, shift: false };
const KEYS = { s: "select", w: "wall", o: "opening", a: "area", p: "path", f: "place", t: "thing", n: "label", b: "boundary" };

const ALONG = "Tap its points, or use the arrow keys and Enter; type a length and a way: 4.2 east, 4.2 135°.";
const HINTS = {
  select: "Tap something to take hold of it; drag it, or move it with the arrow keys.",
  wall: ALONG,
  opening: "Tap a wall where the opening is.",
  area: ALONG + " Enter or the first corner closes it.",
  path: ALONG + " Enter ends it.", place: "Tap where it is.", thing: "Tap where it stands.",
  label: "Tap where it is to be read.", boundary: ALONG + " Enter closes it.", scale: "Tap two points that are a known length apart.",
  shift: "Tap a point of the drawing beneath, then where it belongs.",
};

function startDrawing() {
  const root = document.getElementById("drawing");
  if (!root) {
    return;
  }
  const plan = document.getElementById("draw-plan");
  const rubber = document.getElementById("rubber");
  const handles = document.getElementById("handles");
  const cursor = document.getElementById("cursor");
  const say = document.getElementById("draw-say");
  const form = document.getElementById("item-form");
  let tool = "wall";
  let points = [];
  let typed = "";
  let aim = null;
  let chosen = null;
  let joining = null;
  startZoom(plan, { panWithOne: false });
  startLettering(plan);

  const sheet = startSheet({
    base: root.dataset.base, tell,
    saved: () => chosen && hold(chosen),
    refused: () => {
      points = tool === "wall" ? points.slice(0, -1) : points;
      sketch();
    },
  });
  const { ask, edit } = sheet;
  const pixel = () => plan.viewBox.baseVal.width / plan.clientWidth;
  const pointsOf = (item) => item.dataset.points.split(" ").map((pair) => pair.split(",").map(Number)).map(([x, y]) => ({ x, y }));
  const metres = (value) => value.toFixed(2);
  const pair = ({ x, y }) => [Number(x.toFixed(3)), Number((-y).toFixed(3))];
  const number = (id) => figure(document.getElementById(id).value);
  const value = (id) => document.getElementById(id).value;

  function tell(words, bad = false) {
    say.textContent = words;
    say.classList.toggle("bad", bad);
  }

  // Tools.
  function choose(next) {
    tool = next;
    points = [];
    typed = "";
    for (const button of root.querySelectorAll("[data-tool]")) {
      button.setAttribute("aria-pressed", String(button.dataset.tool === tool));
    }
    for (const options of root.querySelectorAll("[data-for]")) {
      options.hidden = options.dataset.for !== tool;
    }
    plan.classList.toggle("tool-drawing", tool !== "select");
    plan.classList.toggle("tool-opening", tool === "opening");
    handles.replaceChildren();
    cursor.setAttribute("display", "none");
    document.getElementById("draw-hint").textContent = HINTS[tool];
    sketch();
    if (tool === "select" && chosen) {
      hold(chosen);
    }
  }
  for (const button of root.querySelectorAll("[data-tool]")) {
    button.addEventListener("click", () => choose(button.dataset.tool));
  }
  // Places that were promised before there was a plan to show them.
  root.addEventListener("click", (event) => {
    const wished = event.target.closest("[data-wished]")?.dataset.wished;
    if (wished) {
      choose("place");
      document.getElementById("place-name").value = wished;
      tell(`Tap where the ${wished} is.`);
    }
  });
  document.getElementById("wall-material").addEventListener("change", (event) => {
    document.getElementById("wall-thickness").value = Number(event.target.selectedOptions[0].dataset.thickness).toFixed(2);
  });
  const offer = { door: 1, window: 1, gap: 1 };
  document.getElementById("opening-kind").addEventListener("change", (event) => {
    if (offer[event.target.value]) {
      document.getElementById("opening-width").value = Number(event.target.selectedOptions[0].dataset.width).toFixed(2);
    }
  });
  for (const [kind, name] of [["area-kind", "area-name"], ["thing-kind", "thing-name"]]) {
    document.getElementById(kind).addEventListener("change", (event) => {
      document.getElementById(name).value = event.target.selectedOptions[0].textContent;
    });
  }

  /** Where the pointer is caught, unless it is held free of everything. */
  function catching(at, free) {
    if (free) {
      return { ...at, by: "" };
    }
    const walls = Array.from(plan.querySelectorAll(".item.wall"), pointsOf);
    return caught(at, {
      from: points[points.length - 1], walls, near: CATCH_PX * pixel(),
      corners: walls.flat().concat(points, Array.from(plan.querySelectorAll(".item.area, .item.path"), pointsOf).flat()),
    });
  }

  // Sketching what is being drawn.
  function sketch() {
    rubber.replaceChildren();
    if (points.length === 0 && !aim) {
      return;
    }
    const last = points[points.length - 1];
    const drawn = aim && tool in LINES ? points.concat(aim) : points;
    if (drawn.length > 1) {
      add("path", { d: "M" + drawn.map((p) => `${p.x} ${p.y}`).join("L") });
    }
    if (aim && tool !== "select") {
      add("circle", { cx: aim.x, cy: aim.y, r: 5 * pixel() });
      const length = last ? Math.hypot(aim.x - last.x, aim.y - last.y) : 0;
      const heading = last ? (headingDeg(last, aim) + 360) % 360 : 0;
      const words = (typed ? typed + "_ " : "") + (last ? `${metres(length)} m · ${heading.toFixed(0)}°` : "")
        + (aim.by ? ` · ${aim.by}` : "");
      const text = add("text", { x: aim.x + 12 * pixel(), y: aim.y - 10 * pixel(), "font-size": 14 * pixel() });
      text.textContent = words;
    }
  }

  function add(name, attributes) {
    const element = document.createElementNS(SVG, name);
    for (const [key, given] of Object.entries(attributes)) {
      element.setAttribute(key, given);
    }
    rubber.append(element);
    return element;
  }

  const NUMBERS = { wall: ["wall-thickness", "wall-height"], opening: ["opening-width"], thing: ["thing-height"],
    scale: ["underlay-length"] };

  /** A figure of the tool that is none; a wall's height may be left open. */
  function odd() {
    return (NUMBERS[tool] ?? []).find((id) => Number.isNaN(number(id)) && !(id === "wall-height" && value(id).trim() === ""));
  }

  // Setting points.
  function set(at) {
    const wrong = odd();
    if (wrong) {
      tell(`“${value(wrong)}” is not a number. Nothing was drawn.`, true);
      document.getElementById(wrong).focus();
      return;
    }
    if (tool === "place") {
      edit({ edit: "add-place", name: value("place-name"), at: pair(at) });
    } else if (tool === "thing") {
      edit({ edit: "add-thing", name: value("thing-name"), kind: value("thing-kind"), at: pair(at), heightM: number("thing-height") });
    } else if (tool === "label") {
      edit({ edit: "add-label", text: value("label-text"), at: pair(at), storey: sheet.storey() });
    } else if (tool === "opening") {
      opening(at);
    } else if (tool in LINES) {
      line(at);
    }
  }

  function line(at) {
    const first = points[0];
    if (LINES[tool] && points.length >= 3 && Math.hypot(at.x - first.x, at.y - first.y) < CATCH_PX * pixel()) {
      finish();
      return;
    }
    points.push({ x: at.x, y: at.y });
    typed = "";
    if (tool === "wall" && points.length > 1) {
      const height = value("wall-height").trim();
      edit({ edit: "add-walls", storey: sheet.storey(), points: points.slice(-2).map(pair),
        material: value("wall-material"), thicknessM: number("wall-thickness"),
        heightM: height === "" ? null : number("wall-height") });
    } else if ((tool === "scale" || tool === "shift") && points.length === 2) {
      const [a, b] = points.map(pair);
      ask(`underlay/${tool === "scale" ? "scale" : "move"}?storey=${sheet.storey()}`,
        { x1: a[0], y1: a[1], x2: b[0], y2: b[1],
          lengthM: tool === "scale" ? number("underlay-length") : 0 });
      choose("select");
    }
    sketch();
  }

  /** Ends a line that is more than its pieces: an area, a path, the boundary. */
  function finish() {
    const outline = points.map(pair);
    if (tool === "area" && points.length >= 3) {
      edit({ edit: "add-area", name: value("area-name"), kind: value("area-kind"), outline });
    } else if (tool === "boundary" && points.length >= 3) {
      edit({ edit: "boundary", points: outline });
    } else if (tool === "path" && points.length >= 2) {
      edit({ edit: "add-path", name: value("path-name"), points: outline });
    }
    points = [];
    sketch();
  }

  function opening(at) {
    const near = Array.from(plan.querySelectorAll(".item.wall"))
      .map((item) => ({ item, ends: pointsOf(item) }))
      .map(({ item, ends }) => ({ item, ends, at: foot(ends[0], ends[1], at) }))
      .filter((wall) => wall.at && Math.hypot(wall.at.x - at.x, wall.at.y - at.y) < 3 * CATCH_PX * pixel())
      .sort((a, b) => Math.hypot(a.at.x - at.x, a.at.y - at.y) - Math.hypot(b.at.x - at.x, b.at.y - at.y))[0];
    if (!near) {
      tell("Tap on a wall.", true);
      return;
    }
    const kind = document.getElementById("opening-kind").selectedOptions[0];
    const width = number("opening-width");
    const along = Math.hypot(near.at.x - near.ends[0].x, near.at.y - near.ends[0].y) - width / 2;
    edit({ edit: "set-opening", id: near.item.dataset.id, kind: kind.value, atM: Math.max(0, Number(along.toFixed(2))), widthM: width,
      sillM: Number(kind.dataset.sill), headM: Number(kind.dataset.head) });
  }

  function history(what) {
    points = [];
    sketch();
    sheet.history(what);
  }

  // Taking hold of things.
  async function hold(id) {
    chosen = id;
    for (const item of plan.querySelectorAll(".item")) {
      item.classList.toggle("chosen", item.dataset.id === id);
    }
    handles.replaceChildren();
    const item = plan.querySelector(`.item[data-id="${CSS.escape(id)}"]`);
    if (!item) {
      chosen = null;
      form.replaceChildren();
      return;
    }
    if (item.dataset.kind === "wall" || item.dataset.kind === "area" || item.dataset.kind === "path") {
      handles.replaceChildren(...pointsOf(item).map((point) => {
        const handle = document.createElementNS(SVG, "circle");
        handle.setAttribute("class", "corner-handle");
        handle.setAttribute("cx", point.x);
        handle.setAttribute("cy", point.y);
        handle.setAttribute("r", 7 * pixel());
        return handle;
      }));
    }
    const response = await request(`${root.dataset.base}/items?storey=${sheet.storey()}&id=${encodeURIComponent(id)}`,
      { headers: { Accept: "text/html" } });
    if (response.ok && chosen === id) {
      const page = new DOMParser().parseFromString(await response.text(), "text/html");
      form.replaceChildren(document.importNode(page.getElementById("item-answer"), true));
    }
  }

  root.addEventListener("submit", (event) => {
    const sent = event.target.closest(".edit-form");
    if (!sent) {
      return;
    }
    event.preventDefault();
    const what = { edit: sent.dataset.edit };
    for (const field of sent.elements) {
      if (field.name) {
        const given = field.value.trim();
        if (given === "" && field.dataset.optional) {
          continue;
        }
        what[field.name] = field.dataset.number ? figure(given) : given;
        if (field.dataset.number && Number.isNaN(what[field.name])) {
          tell(`“${given}” is not a number. Nothing was changed.`, true);
          field.focus();
          return;
        }
      }
    }
    edit(what);
  });
  form.addEventListener("click", (event) => {
    const button = event.target.closest("[data-join]");
    if (button) {
      joining = button.dataset.id;
      tell("Tap the wall to join it with.");
    }
  });
  root.addEventListener("click", (event) => {
    const button = event.target.closest("[data-history]");
    if (button) {
      history(button.dataset.history);
    }
  });

  // The pointer.
  let drag = null;
  plan.addEventListener("pointerdown", (event) => {
    if (event.button !== 0 || tool !== "select") {
      return;
    }
    const at = onDrawing(plan, event);
    const handle = event.target.closest(".corner-handle");
    const item = event.target.closest(".item");
    if (handle) {
      drag = { corner: { x: Number(handle.getAttribute("cx")), y: Number(handle.getAttribute("cy")) }, from: at };
    } else if (item) {
      drag = { id: item.dataset.id, from: at };
    }
    if (drag) {
      plan.setPointerCapture(event.pointerId);
    }
  });
  plan.addEventListener("pointermove", (event) => {
    const at = onDrawing(plan, event);
    if (drag) {
      aim = catching(at, event.shiftKey);
      rubber.replaceChildren();
      add("path", { d: `M${(drag.corner ?? drag.from).x} ${(drag.corner ?? drag.from).y}L${aim.x} ${aim.y}` });
    } else if (tool !== "select") {
      aim = catching(at, event.shiftKey);
      sketch();
    }
  });
  plan.addEventListener("pointerup", (event) => {
    const at = onDrawing(plan, event);
    if (drag) {
      const moved = Math.hypot(at.x - drag.from.x, at.y - drag.from.y) > 4 * pixel();
      const to = catching(at, event.shiftKey);
      if (moved && drag.corner) {
        edit({ edit: "move-corner", storey: sheet.storey(), id: chosen, from: pair(drag.corner), to: pair(to) });
      } else if (moved && drag.id === chosen) {
        edit({ edit: "move", id: drag.id, dxM: Number((at.x - drag.from.x).toFixed(2)), dyM: Number((drag.from.y - at.y).toFixed(2)) });
      } else if (!moved && drag.id) {
        take(drag.id);
      }
      drag = null;
      rubber.replaceChildren();
      return;
    }
    if (event.button === 0 && tool !== "select") {
      aim = catching(at, event.shiftKey);
      set(aim);
    }
  });
  plan.addEventListener("dblclick", () => {
    if (tool === "path" || tool === "area" || tool === "boundary") {
      finish();
    }
  });

  function take(id) {
    if (joining && joining !== id) {
      edit({ edit: "join-walls", id: joining, otherId: id });
      joining = null;
      return;
    }
    hold(id);
  }

  // The keyboard.
  plan.addEventListener("keydown", (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey) {
      return;
    }
    const item = event.target.closest(".item");
    if (tool === "select") {
      if (item && event.key === "Enter") {
        event.preventDefault();
        take(item.dataset.id);
      } else if (chosen && (event.key === "Delete" || event.key === "Backspace")) {
        event.preventDefault();
        edit({ edit: "delete", id: chosen });
      } else if (chosen && event.key.startsWith("Arrow")) {
        event.preventDefault();
        const [dx, dy] = arrow(event);
        edit({ edit: "move", id: chosen, dxM: Number(dx.toFixed(2)), dyM: Number((-dy).toFixed(2)) });
      }
      return;
    }
    if (event.key.startsWith("Arrow")) {
      event.preventDefault();
      const [dx, dy] = arrow(event);
      const box = plan.viewBox.baseVal;
      const at = aim ?? points[points.length - 1] ?? { x: Math.round(box.x + box.width / 2), y: Math.round(box.y + box.height / 2) };
      aim = { x: Number((at.x + dx).toFixed(2)), y: Number((at.y + dy).toFixed(2)), by: "" };
      cursor.removeAttribute("display");
      cursor.setAttribute("transform", `translate(${aim.x} ${aim.y}) scale(${pixel()})`);
      sketch();
    } else if (goesOn(typed, event.key)) {
      // Letters are words of the compass while something is being typed, and tools otherwise.
      event.preventDefault();
      event.stopPropagation();
      typed += event.key;
      sketch();
    } else if (event.key === "Backspace") {
      event.preventDefault();
      if (typed) {
        typed = typed.slice(0, -1);
      } else if (tool === "wall" && points.length > 1) {
        points.pop();
        history("undo");
      } else {
        points.pop();
      }
      sketch();
    } else if (event.key === "Enter" || event.key === " ") {
      event.preventDefault();
      enter();
    } else if (event.key === "Escape") {
      points = [];
      typed = "";
      sketch();
    }
  });

  function enter() {
    const last = points[points.length - 1];
    if (typed && last) {
      const said = measured(typed);
      if (!said) {
        tell(`“${typed}” is no length; type 4.2, 4.2 east or 4.2 135°.`, true);
        typed = "";
        return;
      }
      set(along(last, said.metres, said.headingDeg ?? (aim ? headingDeg(last, aim) : 0)));
      aim = { ...points[points.length - 1] ?? last, by: "" };
      sketch();
    } else if (!cursor.hasAttribute("display") && aim && (!last || aim.x !== last.x || aim.y !== last.y)) {
      set(aim);
    } else {
      finish();
    }
  }

  function arrow(event) {
    const step = event.shiftKey ? 1 : GRID_M;
    return { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key];
  }

  document.addEventListener("keydown", (event) => {
    if (isTyping(event.target)) {
      return;
    }
    const key = event.key.toLowerCase();
    if ((event.ctrlKey || event.metaKey) && (key === "z" || key === "y")) {
      event.preventDefault();
      history(key === "y" || event.shiftKey ? "redo" : "undo");
    } else if (!event.ctrlKey && !event.metaKey && !event.altKey && KEYS[key]) {
      choose(KEYS[key]);
    }
  });
  choose("wall");
}

startDrawing();
