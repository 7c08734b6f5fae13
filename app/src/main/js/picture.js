// The camera's picture: cells blacked out by a tap, zones drawn in the picture or on the plan.

import { onDrawing } from "./exchange.js";

const SVG = "http://www.w3.org/2000/svg";
const CLOSE_PX = 12;

export function startPicture({ plan, add }) {
  const hold = document.getElementById("picture-hold");
  const hint = document.getElementById("picture-hint");
  const buttons = { mask: document.querySelector('[data-picture="mask"]'), zone: document.querySelector('[data-picture="zone"]') };
  let tool = null;
  let corners = [];
  let sheet = null;
  /** Cells that were tapped and not answered yet, with what they are to be. */
  const asked = new Map();

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
    hint.textContent = { mask: "Tap a cell.", zone: "Tap corners here or on the plan; Enter or the first corner closes." }[tool] ?? "";
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
    choose("zone");
    add("zones", body);
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
    const columns = Number(svg.dataset.columns);
    const rows = Number(svg.dataset.rows);
    const column = Math.min(columns - 1, Math.floor(at.x / svg.viewBox.baseVal.width * columns));
    const row = Math.min(rows - 1, Math.floor(at.y / svg.viewBox.baseVal.height * rows));
    const cell = String.fromCharCode(65 + column) + (row + 1);
    const masked = !(asked.get(cell) ?? isMasked(cell));
    asked.set(cell, masked);
    add("cell", { cell, masked });
  });

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
      add("zones", { remove: Number(button.dataset.removeZone), of: document.querySelectorAll("[data-remove-zone]").length });
    }
  });
}
