// On every page: the dim theme, the keys to the stages, and pages that look at themselves anew.

import { isTyping } from "./exchange.js";

const A_YEAR_S = 31536000;

themeSwitch();
stageKeys();
reloading();

/** Kept in a cookie, so that the server paints the page in it from the start and a dark attic never flashes white. */
function themeSwitch() {
  const button = document.querySelector("[data-theme-switch]");
  if (!button) {
    return;
  }
  const show = () => button.setAttribute("aria-pressed", String(document.documentElement.dataset.theme === "loft"));
  show();
  button.addEventListener("click", () => {
    const loft = document.documentElement.dataset.theme !== "loft";
    if (loft) {
      document.documentElement.dataset.theme = "loft";
    } else {
      delete document.documentElement.dataset.theme;
    }
    document.cookie = `roofnest-theme=${loft ? "loft" : "paper"}; path=/; max-age=${A_YEAR_S}; samesite=lax`;
    show();
  });
}

/** g, then 1 to 9, goes to a stage. */
function stageKeys() {
  let armed = false;
  document.addEventListener("keydown", (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) {
      return;
    }
    if (event.key === "g") {
      armed = true;
    } else if (armed && /^[1-9]$/.test(event.key)) {
      const gable = document.querySelector(`.gable a[data-stage="${event.key}"]`);
      event.stopImmediatePropagation();
      gable?.click();
      armed = false;
    } else {
      armed = false;
    }
  }, true);
}

/** A page that others change too is looked at anew now and then, while it is in view and nothing on it has the focus. */
function reloading() {
  const seconds = Number(document.querySelector("[data-reload-seconds]")?.dataset.reloadSeconds);
  if (!seconds) {
    return;
  }
  setInterval(() => {
    if (!document.hidden && !isTyping(document.activeElement)) {
      location.reload();
    }
  }, seconds * 1000);
}
