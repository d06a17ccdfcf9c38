// The fields of one play rule: each part says something, or leaves it to a rule farther away, whose words it shows then.
import { say } from '../platform/words.js';

const PARTS = {
  start: 'START',
  volumePercent: 'VOLUME',
  times: 'TIMES',
  stopOnLeaving: 'STOP_ON_LEAVING',
  most: 'MOST',
  underSpeech: 'UNDER_SPEECH',
};

const wordsOf = (select, value) => [...select.options].find((option) => option.value === String(value))?.textContent ?? value;
const valueOf = (text) => ({ true: true, false: false }[text] ?? (/^\d+$/.test(text) ? Number(text) : text));

export class RuleFields {
  #selects;

  constructor(fields) {
    this.#selects = [...fields.querySelectorAll('[data-part]')];
  }

  /** @param farther what holds where the rule says nothing: its rule, and the level of each part */
  show(rule, farther) {
    this.#selects.forEach((select) => {
      const { part } = select.dataset;
      const level = farther.levels[PARTS[part]];
      select.querySelector('[data-farther]').textContent = say(`rule.as.${level}`, { what: wordsOf(select, farther.rule[part]) });
      const own = rule?.[part] ?? null;
      if (own !== null && ![...select.options].some((option) => option.value === String(own))) {
        select.append(new Option(String(own), own));
      }
      select.value = own === null ? '' : String(own);
      select.classList.toggle('own', own !== null);
    });
  }

  /** The rule as the fields say it; what they leave to others is null. */
  rule() {
    return Object.fromEntries(this.#selects.map((select) => [select.dataset.part, select.value === '' ? null : valueOf(select.value)]));
  }

  /** What holds, in a few words: only what isn't usual. */
  inShort(rule, farther) {
    const holds = (part) => rule?.[part] ?? farther.rule[part];
    const usual = { start: 'PRESS', volumePercent: 100, times: 1, stopOnLeaving: true, most: 0, underSpeech: false };
    const words = this.#selects.filter(({ dataset }) => holds(dataset.part) !== usual[dataset.part])
      .map((select) => wordsOf(select, holds(select.dataset.part)));
    return words.length === 0 ? wordsOf(this.#selects[0], 'PRESS') : words.join(' · ');
  }
}
