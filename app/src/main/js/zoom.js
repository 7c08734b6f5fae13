// Zooms and pans a plan: wheel, pinch, dragging empty ground, buttons, and the keys + − 0.

const STEP = 1.25;
const MOST = 16;

export function startZoom(svg, { panWithOne = true } = {}) {
  const all = svg.viewBox.baseVal;
  const whole = { x: all.x, y: all.y, width: all.width, height: all.height };
  let box = { ...whole };
  const fingers = new Map();
  let last = null;

  function apply() {
    svg.setAttribute("viewBox", `${box.x} ${box.y} ${box.width} ${box.height}`);
    svg.dispatchEvent(new CustomEvent("zoomed", { detail: box.width / whole.width }));
  }

  function zoom(factor, at) {
    const width = Math.min(whole.width * 1.5, Math.max(whole.width / MOST, box.width / factor));
    const scale = width / box.width;
    const about = at ?? { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    box = { x: about.x - (about.x - box.x) * scale, y: about.y - (about.y - box.y) * scale, width, height: box.height * scale };
    apply();
  }

  function point(client) {
    return new DOMPoint(client.x, client.y).matrixTransform(svg.getScreenCTM().inverse());
  }

  svg.addEventListener("wheel", (event) => {
    if (event.defaultPrevented) {
      return;
    }
    event.preventDefault();
    zoom(event.deltaY < 0 ? STEP : 1 / STEP, point({ x: event.clientX, y: event.clientY }));
  }, { passive: false });

  svg.addEventListener("pointerdown", (event) => {
    fingers.set(event.pointerId, { x: event.clientX, y: event.clientY });
    last = null;
  });
  svg.addEventListener("pointermove", (event) => {
    if (!fingers.has(event.pointerId)) {
      return;
    }
    fingers.set(event.pointerId, { x: event.clientX, y: event.clientY });
    const held = svg.dataset.held === "true";
    const pans = fingers.size === 2 || (fingers.size === 1 && !held && (panWithOne || event.buttons === 4));
    if (!pans) {
      return;
    }
    const [a, b] = [...fingers.values()];
    const middle = b ? { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 } : a;
    const spread = b ? Math.hypot(a.x - b.x, a.y - b.y) : 0;
    if (last) {
      const from = point(last.middle);
      const to = point(middle);
      box.x -= to.x - from.x;
      box.y -= to.y - from.y;
      apply();
      if (b && last.spread > 0) {
        zoom(spread / last.spread, point(middle));
      }
    }
    last = { middle, spread };
  });
  const lift = (event) => {
    fingers.delete(event.pointerId);
    last = null;
  };
  for (const end of ["pointerup", "pointercancel", "pointerleave"]) {
    svg.addEventListener(end, lift);
  }

  function act(what) {
    if (what === "in") {
      zoom(STEP);
    } else if (what === "out") {
      zoom(1 / STEP);
    } else {
      box = { ...whole };
      apply();
    }
  }
  for (const button of document.querySelectorAll("[data-zoom]")) {
    button.addEventListener("click", () => act(button.dataset.zoom));
  }
  document.addEventListener("keydown", (event) => {
    const typing = /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
    const what = { "+": "in", "=": "in", "-": "out", 0: "all" }[event.key];
    if (what && !typing && !event.ctrlKey && !event.metaKey && !event.defaultPrevented) {
      event.preventDefault();
      act(what);
    }
  });
}
