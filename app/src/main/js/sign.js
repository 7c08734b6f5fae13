// The signature: strokes drawn by finger, pen or mouse, kept as a path of whole numbers.

function startSigning() {
  const pad = document.getElementById("sign-pad");
  if (!pad) {
    return;
  }
  const path = document.getElementById("sign-path");
  const strokes = document.getElementById("strokes");
  let drawing = false;
  let last = null;
  const point = (event) => {
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(pad.getScreenCTM().inverse());
    return { x: Math.round(at.x), y: Math.round(at.y) };
  };
  const add = (command, at) => {
    strokes.value += `${command}${at.x} ${at.y}`;
    path.setAttribute("d", strokes.value);
    last = at;
  };
  pad.addEventListener("pointerdown", (event) => {
    drawing = true;
    pad.setPointerCapture(event.pointerId);
    add("M", point(event));
    event.preventDefault();
  });
  pad.addEventListener("pointermove", (event) => {
    const at = point(event);
    if (drawing && Math.hypot(at.x - last.x, at.y - last.y) >= 2) {
      add("L", at);
    }
  });
  for (const end of ["pointerup", "pointercancel"]) {
    pad.addEventListener(end, () => {
      drawing = false;
    });
  }
  document.getElementById("sign-clear").addEventListener("click", () => {
    strokes.value = "";
    path.setAttribute("d", "");
  });
}

startSigning();
