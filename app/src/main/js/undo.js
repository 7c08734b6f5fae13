// What was done on the board, so that it can be undone and done again: moves and turns of a camera, cells, zones.

/** @param say told after each step how it stands */
export function startUndo({ isTyping }) {
  const done = [];
  const undone = [];
  const buttons = { undo: document.querySelector('[data-undo="undo"]'), redo: document.querySelector('[data-undo="redo"]') };

  /**
   * @param what in a word or two, for the button
   * @param back takes it back
   * @param again does it once more
   * @param gesture steps of one gesture are one step; undefined for a step of its own
   */
  function add({ what, back, again, gesture }) {
    const last = done.at(-1);
    if (gesture !== undefined && last?.gesture === gesture) {
      last.again = again;
    } else {
      done.push({ what, back, again, gesture });
    }
    undone.length = 0;
    tell();
  }

  function step(from, to, way) {
    const one = from.pop();
    if (one) {
      one.gesture = undefined;
      to.push(one);
      one[way]();
      tell();
    }
  }

  function tell() {
    for (const [name, list] of [["undo", done], ["redo", undone]]) {
      const button = buttons[name];
      if (button) {
        button.disabled = list.length === 0;
        button.title = list.at(-1)?.what ?? "";
        button.setAttribute("aria-label", `${name === "undo" ? "Undo" : "Do again"}${list.length ? ": " + list.at(-1).what : ""}`);
      }
    }
  }

  buttons.undo?.addEventListener("click", () => step(done, undone, "back"));
  buttons.redo?.addEventListener("click", () => step(undone, done, "again"));
  document.addEventListener("keydown", (event) => {
    const key = event.key.toLowerCase();
    if (isTyping(event.target) || !(event.ctrlKey || event.metaKey) || (key !== "z" && key !== "y")) {
      return;
    }
    event.preventDefault();
    if (key === "y" || event.shiftKey) {
      step(undone, done, "again");
    } else {
      step(done, undone, "back");
    }
  });
  tell();
  return add;
}
