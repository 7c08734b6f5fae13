// Finds room for a plan's lettering. Names come in the order of what an installer misses most; each takes the nearest free
// spot about its mark (a room, a ground and a contour only its own), and what finds none waits until the plan is zoomed,
// where lettering and marks keep their size.

const ORDER = [".room", ".perch.other text", ".thing text:not(.mark-letter)", ".place text", ".readings text", ".ray-loss, .walk-mark-name",
  ".contour-name", ".round text, .ground-name, .tick-name"];
const MARKS = ".flag, .perch-body, .perch-reach, .perch.other circle, .thing rect, .socket rect, .aim";
const STAY = ".room, .ground-name, .contour-name";
const MOST_HIDDEN = 0.15;
const TOUCHING = 0.05;
const GAP_PX = 2;
const SMALL_SHARE = 0.85;

export function startLettering(plan) {
  let zoomedTo = 1;
  let asked = false;

  /** While a camera is held nothing is lettered anew: the hand comes first. */
  function soon() {
    if (!asked && plan.dataset.held !== "true") {
      asked = true;
      requestAnimationFrame(() => {
        asked = false;
        letter(plan, zoomedTo);
      });
    }
  }
  plan.addEventListener("zoomed", (event) => {
    zoomedTo = event.detail;
    soon();
  });
  document.addEventListener("board-shown", soon);
  new MutationObserver(soon).observe(plan, { attributes: true, attributeFilter: ["class", "data-held"] });
  new ResizeObserver(soon).observe(plan);
  document.fonts.ready.then(soon);
}

/** @param zoomedTo share of the plan's width that is shown */
function letter(plan, zoomedTo) {
  const onScreen = plan.getScreenCTM();
  // A plan shown smaller than usual, as on a phone, has marks and lettering that do not shrink quite as much.
  const shrunk = 1 / (Number(plan.dataset.metresPx) * onScreen.a * zoomedTo);
  keepSize(plan, zoomedTo * Math.max(1, SMALL_SHARE * shrunk));
  const taken = Array.from(plan.querySelectorAll(MARKS)).filter((mark) => mark.checkVisibility())
    .map((mark) => ({ ...boxOf(mark.getBoundingClientRect()), of: mark.parentNode }));
  const texts = ORDER.flatMap((kind) => Array.from(plan.querySelectorAll(kind)));
  for (const text of texts) {
    if (text.dataset.moved) {
      text.removeAttribute("transform");
      delete text.dataset.moved;
    }
    text.classList.remove("no-room");
  }
  // All are measured before any is moved, so that the page is laid out once.
  const measured = texts.filter((text) => text.checkVisibility()).map((text) => {
    const mark = text.parentNode.hasAttribute("transform") ? text.parentNode.getScreenCTM() : null;
    return {
      text, at: boxOf(text.getBoundingClientRect()), mark: mark && { x: mark.e, y: mark.f },
      fixed: text.hasAttribute("transform") || text.matches(STAY),
    };
  });
  for (const { text, at, mark, fixed } of measured) {
    let best = null;
    for (const [dx, dy] of fixed ? [[0, 0]] : spotsAbout(at, mark)) {
      const hidden = overlap(at, dx, dy, taken, text.parentNode);
      if (!best || hidden < best.hidden) {
        best = { dx, dy, hidden };
      }
      if (hidden < TOUCHING) {
        break;
      }
    }
    if (best.hidden > MOST_HIDDEN) {
      text.classList.add("no-room");
      continue;
    }
    if (best.dx !== 0 || best.dy !== 0) {
      const scale = mark ? text.parentNode.getScreenCTM().a : onScreen.a;
      text.setAttribute("transform", `translate(${(best.dx / scale).toFixed(3)} ${(best.dy / scale).toFixed(3)})`);
      text.dataset.moved = "true";
    }
    taken.push({ of: null, left: at.left + best.dx, right: at.right + best.dx, top: at.top + best.dy, bottom: at.bottom + best.dy });
  }
}

/** Marks and free lettering are drawn in metres; when a metre grows on the screen, they shrink by as much. */
function keepSize(plan, by) {
  for (const sign of plan.querySelectorAll("g[transform*='scale(']:not(#cursor)")) {
    sign.dataset.usual ??= sign.dataset.scale ?? /scale\(([^)]+)\)/.exec(sign.getAttribute("transform"))[1];
    const scale = Number(sign.dataset.usual) * by;
    if (sign.dataset.scale) {
      sign.dataset.scale = scale;
    }
    sign.setAttribute("transform", sign.getAttribute("transform").replace(/scale\([^)]+\)/, `scale(${scale})`));
  }
  for (const text of plan.querySelectorAll("text[font-size]:not(#rubber text, #sketching text)")) {
    if (!text.parentNode.hasAttribute("transform")) {
      text.dataset.usual ??= text.getAttribute("font-size");
      text.setAttribute("font-size", Number(text.dataset.usual) * by);
    }
  }
}

/** Where a name may go: as drawn, to the other side of its mark, then step by step up and down. */
function spotsAbout(at, mark) {
  const width = at.right - at.left;
  const height = at.bottom - at.top;
  const across = mark ? [0, 2 * (mark.x - (at.left + at.right) / 2), mark.x - (at.left + at.right) / 2] : [0, -width * 0.6, width * 0.6];
  const along = [0, height, -height, 1.8 * height, -1.8 * height, 2.6 * height, -2.6 * height];
  return along.flatMap((dy) => across.map((dx) => [dx, dy]));
}

/** The most that a name there would hide of anything, or anything of it, as a share. */
function overlap(at, dx, dy, taken, own) {
  const area = (at.right - at.left) * (at.bottom - at.top);
  let hidden = 0;
  for (const box of taken) {
    const width = Math.min(at.right + dx, box.right) - Math.max(at.left + dx, box.left);
    const height = Math.min(at.bottom + dy, box.bottom) - Math.max(at.top + dy, box.top);
    if (width > 0 && height > 0 && (box.of !== own || dx !== 0 || dy !== 0)) {
      hidden = Math.max(hidden, width * height / Math.min(area, (box.right - box.left) * (box.bottom - box.top)));
    }
  }
  return hidden;
}

function boxOf(rect) {
  return { left: rect.left - GAP_PX, right: rect.right + GAP_PX, top: rect.top, bottom: rect.bottom };
}
