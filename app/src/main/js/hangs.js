// A still is read: a number is chosen, its point tapped in the still with a glass over the finger, or put there by keys.

import { figure } from "./figures.js";

const SVG = "http://www.w3.org/2000/svg";
const GLASS_SHARE = 0.09;
const STRIDE = 10;

startStillPoints();

function startStillPoints() {
  const still = document.getElementById("still");
  if (!still) {
    return;
  }
  const width = Number(still.dataset.width);
  const height = Number(still.dataset.height);
  const points = [...document.querySelectorAll("li[data-point]")];
  const taps = document.getElementById("taps");
  const cross = document.getElementById("cross");
  const loupe = document.getElementById("loupe");
  const asks = document.getElementById("still-asks");
  let chosen = null;
  let at = { x: width / 2, y: height / 2 };

  const fields = (point) => [...point.querySelectorAll("input[type=text]")];
  const isTapped = (point) => fields(point).every((field) => field.value.trim() !== "");

  function choose(point) {
    chosen = point;
    points.forEach((each) => each.querySelector(".pick").setAttribute("aria-pressed", String(each === point)));
    document.querySelectorAll("g[data-point]").forEach((each) => {
      each.classList.toggle("chosen", each.dataset.point === point?.dataset.point);
    });
    asks.textContent = point ? `tap ${point.dataset.point}: ${point.querySelector(".point-name > span").textContent}` : "all are tapped";
  }

  function next() {
    const open = points.filter((point) => !isTapped(point) && point.closest("#taps-form"));
    choose(open.find((point) => point.classList.contains("next")) ?? open[0] ?? null);
  }

  function draw() {
    taps.replaceChildren(...points.filter(isTapped).map((point) => {
      const [x, y] = fields(point).map((field) => figure(field.value));
      const group = svg("g", { class: point.classList.contains("odd") ? "tap odd" : "tap", transform: `translate(${x} ${y})` });
      const number = svg("text", { x: 20, y: -18 });
      number.textContent = point.dataset.point;
      group.append(svg("path", { d: "M-26 0H-7M7 0H26M0 -26V-7M0 7V26" }), number);
      return group;
    }));
  }

  function put(where) {
    if (!chosen) {
      return;
    }
    const [x, y] = fields(chosen);
    x.value = String(Math.round(where.x));
    y.value = String(Math.round(where.y));
    draw();
    if (chosen.closest("#taps-form")) {
      next();
    } else {
      choose(points.find((point) => point.dataset.point === "B" && !isTapped(point)) ?? null);
    }
  }

  function inside(where) {
    return { x: Math.max(0, Math.min(width, where.x)), y: Math.max(0, Math.min(height, where.y)) };
  }

  function inPicture(event) {
    return inside(new DOMPoint(event.clientX, event.clientY).matrixTransform(still.getScreenCTM().inverse()));
  }

  /** The glass hangs over the finger, beside it where it would leave the picture. */
  function look(where) {
    const half = GLASS_SHARE * width / 2;
    loupe.setAttribute("viewBox", `${where.x - half} ${where.y - half} ${2 * half} ${2 * half}`);
    document.getElementById("loupe-cross").setAttribute("d",
      `M${where.x - half} ${where.y}H${where.x - half / 8}M${where.x + half / 8} ${where.y}H${where.x + half}`
      + `M${where.x} ${where.y - half}V${where.y - half / 8}M${where.x} ${where.y + half / 8}V${where.y + half}`);
    const box = still.getBoundingClientRect();
    const frame = still.parentElement.getBoundingClientRect();
    const x = box.left - frame.left + where.x / width * box.width;
    const y = box.top - frame.top + where.y / height * box.height;
    loupe.classList.remove("away");
    const size = loupe.getBoundingClientRect().width;
    loupe.style.left = `${Math.max(0, Math.min(box.width - size, x - size / 2))}px`;
    loupe.style.top = `${y > size + 40 ? y - size - 40 : y + 40}px`;
  }

  function showCross(shown) {
    cross.classList.toggle("away", !shown);
    cross.setAttribute("transform", `translate(${at.x} ${at.y})`);
  }

  let down = false;
  still.addEventListener("pointerdown", (event) => {
    down = true;
    still.setPointerCapture(event.pointerId);
    at = inPicture(event);
    look(at);
    event.preventDefault();
    still.focus({ preventScroll: true });
    showCross(false);
  });
  still.addEventListener("pointermove", (event) => {
    if (down) {
      at = inPicture(event);
      look(at);
    }
  });
  still.addEventListener("pointerup", (event) => {
    if (down) {
      at = inPicture(event);
      put(at);
    }
    down = false;
    loupe.classList.add("away");
  });
  still.addEventListener("pointercancel", () => {
    down = false;
    loupe.classList.add("away");
  });
  still.addEventListener("keydown", (event) => {
    const ways = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };
    const way = ways[event.key];
    if (way) {
      const stride = event.shiftKey ? STRIDE : 1;
      at = inside({ x: Math.round(at.x) + stride * way[0], y: Math.round(at.y) + stride * way[1] });
      showCross(true);
      look(at);
      event.preventDefault();
    } else if (event.key === "Enter" || event.key === " ") {
      put(at);
      event.preventDefault();
    }
  });
  still.addEventListener("blur", () => {
    showCross(false);
    loupe.classList.add("away");
  });
  points.forEach((point) => {
    point.querySelector(".pick").addEventListener("click", () => {
      choose(point);
      still.scrollIntoView({ block: "nearest" });
    });
    point.querySelector(".drop").addEventListener("click", () => {
      fields(point).forEach((field) => {
        field.value = "";
      });
      draw();
      choose(point);
    });
    fields(point).forEach((field) => field.addEventListener("input", draw));
  });
  const overlay = document.getElementById("overlay-switch");
  overlay?.addEventListener("click", () => {
    const hidden = document.getElementById("overlay").classList.toggle("away");
    overlay.setAttribute("aria-pressed", String(!hidden));
  });
  draw();
  next();
}

function svg(name, attributes) {
  const element = document.createElementNS(SVG, name);
  Object.entries(attributes).forEach(([attribute, value]) => element.setAttribute(attribute, value));
  return element;
}
