// A page larger, in steps: by a button, by keys (+, - and 0). Two fingers do what they always do.

const STEPS = [1, 1.6, 2.5];
let step = 0;

export const zoomed = () => step > 0;

function show() {
  document.body.classList.toggle('zoomed', zoomed());
  document.body.style.setProperty('--zoom', STEPS[step]);
  document.getElementById('zoom')?.setAttribute('aria-pressed', zoomed());
}

/** The next step; after the largest, as it was. */
export function zoomOn() {
  step = (step + 1) % STEPS.length;
  show();
}

export function zoomBy(by) {
  step = by === 0 ? 0 : Math.max(0, Math.min(STEPS.length - 1, step + by));
  show();
}

/** Another page is there: it is as large as the one before. */
export const zoomAgain = show;
