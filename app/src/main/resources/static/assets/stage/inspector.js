// What can be said of the thing that is chosen on the stage.
import { RuleFields } from './rulefields.js';

const PLAIN = ['lineId', 'lines', 'words', 'address', 'pageId', 'shows'];
const CHOICES = { mark: 'true', way: 'PLAIN', seen: 'false', size: 'NORMAL' };

const TAB = 0.03;

export class Inspector {
  #form;

  #rule;

  /** Whether what is chosen sounds a choice. */
  choice = false;

  /** @param onChange told how the chosen things change: from a thing to what it becomes */
  constructor(form, onChange) {
    this.#form = form;
    this.#rule = new RuleFields(form.querySelector('#rule-spot'));
    form.addEventListener('change', ({ target }) => {
      if (target.dataset.part) {
        onChange((thing) => ({ ...thing, rule: this.#rule.rule() }));
      } else if (target.name) {
        onChange((thing) => changed(thing, target));
      }
    });
    form.addEventListener('submit', (event) => event.preventDefault());
  }

  /**
   * @param kind of what is chosen: a thing's, MANY, HERE for one of the set of every page, or null for nothing
   * @param keeps whether what was typed last stays in its field, to be corrected
   */
  show(kind, thing, farther, keeps) {
    const form = this.#form;
    form.hidden = !kind;
    form.querySelectorAll('[data-for]').forEach((part) => {
      part.hidden = !part.dataset.for.split(' ').includes(kind) || (part.matches('.of-choice') && !this.choice);
    });
    if (!thing || (keeps && form.dataset.of === thing.id)) {
      return;
    }
    form.dataset.of = thing.id;
    PLAIN.concat('text', 'label', 'jumpWords').forEach((name) => {
      const value = { text: thing.words, jumpWords: thing.words, label: thing.look?.label }[name] ?? thing[name] ?? '';
      if (form.elements[name] && form.elements[name] !== document.activeElement) {
        form.elements[name].value = value;
      }
    });
    Object.entries(CHOICES).forEach(([name, usual]) => { form.elements[name].value = String(thing[name] ?? usual); });
    form.elements.tint.value = thing.look?.tint ?? thing.tint ?? 'MOSS';
    form.elements.border.value = thing.look?.border ?? 'NONE';
    form.elements.leftOut.checked = thing.leftOut === true;
    form.elements.unseen.checked = thing.unseen === true;
    form.elements.noArrow.checked = thing.noArrow === true;
    document.getElementById('try-it').href = thing.address ?? '';
    this.#rule.show(thing.rule, farther);
    document.getElementById('rule-in-short').textContent = this.#rule.inShort(thing.rule, farther);
  }
}

/** A spot on its words as the place alone, or with its tab again, beside the words. */
function marked(thing, mark) {
  const { press } = thing;
  return press && mark !== (thing.mark !== false)
    ? { ...thing, mark, area: mark ? { ...press, w: Math.min(TAB, press.w), h: Math.min(TAB, press.h) } : press }
    : { ...thing, mark };
}

function changed(thing, { name, value, type, checked }) {
  if (name === 'mark') {
    return marked(thing, value === 'true');
  }
  if (type === 'checkbox') {
    return { ...thing, [name]: checked };
  }
  if (name === 'text' || name === 'jumpWords') {
    return { ...thing, words: value };
  }
  if (['tint', 'border', 'label'].includes(name) && thing.kind !== 'TEXT') {
    return { ...thing, look: { ...thing.look, [name]: value } };
  }
  return { ...thing, [name]: ['true', 'false'].includes(value) ? value === 'true' : value };
}
