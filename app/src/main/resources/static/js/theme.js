// Runs before the page is painted, so that a dark attic never flashes white.
const kept = localStorage.getItem("roofnest-theme");
if (kept) {
  document.documentElement.dataset.theme = kept;
}
