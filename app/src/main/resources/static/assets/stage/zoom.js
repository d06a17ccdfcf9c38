// The sheet nearer or farther; what is chosen stays in sight.

const STEPS = [1, 1.5, 2, 3, 4];

export class Zoom {
  #place;

  #sheet;

  #step = 0;

  #fitted;

  constructor(place, sheet, onChange) {
    this.#place = place;
    this.#sheet = sheet;
    this.#fitted = sheet.style.width;
    place.querySelectorAll('[data-zoom]').forEach((button) => button.addEventListener('click', () => this.by(Number(button.dataset.zoom))));
    document.addEventListener('keydown', (event) => {
      const by = { '+': 1, '=': 1, '-': -1, 0: -STEPS.length }[event.key];
      if (by && !event.target.closest('input, textarea, select') && !event.ctrlKey && !event.metaKey && !document.body.classList.contains('no-keys')) {
        this.by(by);
      }
    });
    this.onChange = onChange;
  }

  by(steps) {
    this.#step = Math.max(0, Math.min(STEPS.length - 1, this.#step + steps));
    const near = STEPS[this.#step];
    this.#sheet.style.width = this.#fitted;
    if (near > 1) {
      this.#sheet.style.width = `${this.#sheet.getBoundingClientRect().width * near}px`;
    }
    this.#place.classList.toggle('near', near > 1);
    document.getElementById('zoomed').textContent = `${near * 100} %`;
    this.#sheet.querySelector('.box.chosen')?.scrollIntoView({ block: 'center', inline: 'center' });
    this.onChange();
  }
}
