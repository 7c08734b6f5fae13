// The camera's picture: cells blacked out by a tap or by keys, zones drawn in the picture or on the plan.

import { onDrawing } from "./exchange.js";

const SVG = "http://www.w3.org/2000/svg";
const CLOSE_PX = 12;

const STEP_PX = 20;

export function startPicture({ plan, add, undoable }) {
  const hold = document.getElementById("picture-hold");
  const hint = document.getElementById("picture-hint");
  const buttons = { mask: document.querySelector('[data-picture="mask"]'), zone: document.querySelector('[data-picture="zone"]') };
  let tool = null;
  let corners = [];
  let sheet = null;
  /** Cells that were tapped and not answered yet, with what they are to be. */
  const asked = new Map();
  /** Where the keys are in the picture, in its pixels. */
  let cursor = null;

  function isMasked(cell) {
    return hold.querySelector(`[data-cell="${cell}"]`) !== null;
  }

  function choose(next) {
    tool = tool === next ? null : next;
    corners = [];
    sheet = null;
    sketch();
    for (const [name, button] of Object.entries(buttons)) {
      button?.setAttribute("aria-pressed", String(tool === name));
    }
    plan.dataset.held = String(tool === "zone");
    hint.textContent = {
      mask: "Tap a cell, or go there with the arrows and press space.",
      zone: "Tap corners here or on the plan, or arrows and space; Enter closes.",
    }[tool] ?? "";
    cursor = null;
    hold.tabIndex = tool ? 0 : -1;
    if (tool) {
      hold.focus({ preventScroll: true });
    }
  }
  for (const [name, button] of Object.entries(buttons)) {
    button?.addEventListener("click", () => choose(name));
  }

  /** Draws the corners so far, on whichever of picture and plan they are being drawn. */
  function sketch() {
    const groups = { picture: hold.querySelector(".picture-sketch"), plan: document.getElementById("sketching") };
    for (const group of Object.values(groups)) {
      group?.replaceChildren();
    }
    if (corners.length > 0) {
      const line = document.createElementNS(SVG, "path");
      line.setAttribute("d", "M" + corners.map((corner) => `${corner.x} ${corner.y}`).join("L"));
      groups[sheet].append(line);
    }
    if (cursor && groups.picture) {
      groups.picture.append(tool === "mask" ? cellMark() : crossMark());
    }
  }

  function crossMark() {
    const cross = document.createElementNS(SVG, "path");
    cross.setAttribute("d", `M${cursor.x - 30} ${cursor.y}h60M${cursor.x} ${cursor.y - 30}v60`);
    return cross;
  }

  function cellMark() {
    const { x, y, width, height } = cellAt(cursor);
    const frame = document.createElementNS(SVG, "path");
    frame.setAttribute("d", `M${x} ${y}h${width}v${height}h${-width}Z`);
    return frame;
  }

  /** The cell under a point of the picture, and where it lies. */
  function cellAt(at) {
    const svg = hold.querySelector("svg");
    const columns = Number(svg.dataset.columns);
    const rows = Number(svg.dataset.rows);
    const width = svg.viewBox.baseVal.width / columns;
    const height = svg.viewBox.baseVal.height / rows;
    const column = Math.max(0, Math.min(columns - 1, Math.floor(at.x / width)));
    const row = Math.max(0, Math.min(rows - 1, Math.floor(at.y / height)));
    return { name: String.fromCharCode(65 + column) + (row + 1), x: column * width, y: row * height, width, height };
  }

  function toggle(cell) {
    const masked = !(asked.get(cell) ?? isMasked(cell));
    const set = (to) => {
      asked.set(cell, to);
      add("cell", { cell, masked: to });
    };
    set(masked);
    undoable({ what: `cell ${cell}`, back: () => set(!masked), again: () => set(masked) });
  }

  function zones() {
    return Array.from(document.querySelectorAll("[data-remove-zone]"), (button) => ({ name: button.dataset.name,
      corners: button.dataset.corners.split(" ").map((pair) => pair.split(",").map(Number)) }));
  }

  function corner(on, at, near) {
    if (sheet && sheet !== on) {
      corners = [];
    }
    sheet = on;
    if (corners.length >= 3 && Math.hypot(at.x - corners[0].x, at.y - corners[0].y) < near) {
      close();
      return;
    }
    corners.push(at);
    sketch();
  }

  function close() {
    if (corners.length < 3) {
      hint.textContent = "A zone has three corners at least.";
      return;
    }
    const svg = hold.querySelector("svg").viewBox.baseVal;
    const body = sheet === "picture"
      ? { corners: corners.map(({ x, y }) => [Math.min(1, Math.max(0, x / svg.width)), Math.min(1, Math.max(0, y / svg.height))]) }
      : { outline: corners.map(({ x, y }) => [x, y]) };
    const before = zones();
    choose("zone");
    add("zones", body);
    // What was drawn may be fitted to what the model has, so that all zones are put back as they were.
    undoable({ what: "the zone", back: () => add("zones", { whole: before }), again: () => add("zones", body) });
  }

  hold.addEventListener("click", (event) => {
    const svg = hold.querySelector("svg");
    if (!tool) {
      return;
    }
    const at = onDrawing(svg, event);
    if (tool === "zone") {
      corner("picture", { x: at.x, y: at.y }, CLOSE_PX * svg.viewBox.baseVal.width / svg.clientWidth);
      return;
    }
    toggle(cellAt(at).name);
  });

  hold.addEventListener("keydown", (event) => {
    const svg = hold.querySelector("svg").viewBox.baseVal;
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!tool || (!way && event.key !== " ")) {
      return;
    }
    event.preventDefault();
    event.stopPropagation();
    const cell = tool === "mask" ? cellAt(cursor ?? { x: svg.width / 2, y: svg.height / 2 }) : null;
    if (way) {
      const step = event.shiftKey ? 5 * STEP_PX : STEP_PX;
      const [stepX, stepY] = cell ? [cell.width, cell.height] : [step, step];
      const middle = { x: svg.width / 2, y: svg.height / 2 };
      const from = cell ? { x: cell.x + cell.width / 2, y: cell.y + cell.height / 2 } : cursor ?? middle;
      cursor = cursor ? { x: within(from.x + way[0] * stepX, svg.width), y: within(from.y + way[1] * stepY, svg.height) } : from;
      sketch();
      if (cell) {
        const name = cellAt(cursor).name;
        hint.textContent = `${name}: space ${isMasked(name) ? "shows it" : "blacks it out"}.`;
      }
    } else if (cell && cursor) {
      toggle(cell.name);
    } else if (cursor) {
      corner("picture", { ...cursor }, 0);
    }
  });

  function within(value, most) {
    return Math.max(0, Math.min(most, value));
  }

  plan.addEventListener("click", (event) => {
    if (tool === "zone" && !event.target.closest(".perch")) {
      const at = onDrawing(plan, event);
      corner("plan", { x: at.x, y: at.y }, CLOSE_PX * plan.viewBox.baseVal.width / plan.clientWidth);
    }
  });

  document.addEventListener("keydown", (event) => {
    if (tool === "zone" && event.key === "Enter" && corners.length > 0) {
      event.preventDefault();
      close();
    } else if (tool && event.key === "Escape") {
      choose(tool);
    }
  });
  document.addEventListener("board-shown", () => {
    asked.clear();
    sketch();
  });

  document.addEventListener("click", (event) => {
    const button = event.target.closest("[data-remove-zone]");
    if (button) {
      const before = zones();
      const taken = { remove: Number(button.dataset.removeZone), of: before.length };
      add("zones", taken);
      undoable({ what: "taking the zone out", back: () => add("zones", { whole: before }), again: () => add("zones", taken) });
    }
  });
}
