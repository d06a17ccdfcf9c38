// Rows as the server answers them are put where they belong; what had the focus keeps it.
import { rowsIn } from './rows.js';

const PARTS = ['textarea', '.kind', '.sound', '.more', '.record-line', '.remove-line'];

function focused() {
  const row = document.activeElement?.closest('.row-line');
  const had = row && PARTS.find((each) => document.activeElement.matches(each));
  // In a list of kinds a letter chooses a kind: after a change, keys are keys again.
  const part = had === '.kind' ? '.more' : had;
  const beside = row?.previousElementSibling ?? row?.nextElementSibling;
  return part && { id: row.id, beside: beside?.id, part, start: document.activeElement.selectionStart, end: document.activeElement.selectionEnd };
}

function focusAgain(place) {
  const row = place && document.getElementById(place.id);
  if (place && !row) {
    // The line is gone: the same button of the one beside it has the focus, and no field, so that Z undoes it.
    document.getElementById(place.beside)?.querySelector('.remove-line')?.focus();
    return;
  }
  const thing = row?.querySelector(place.part);
  if (thing && thing !== document.activeElement) {
    thing.focus();
    if (thing.matches('textarea')) {
      thing.setSelectionRange(place.start, place.end);
    }
  }
}

/** Puts one row in its place; answers whether the page has that place. */
function put({ dataset }, row) {
  const list = document.querySelector(`.lines[data-page="${dataset.page}"]`);
  const before = dataset.after && document.getElementById(`line-${dataset.after}`);
  if (!list || (dataset.after && before?.parentElement !== list)) {
    return false;
  }
  document.getElementById(row.id)?.remove();
  if (before) {
    before.after(row);
  } else {
    list.prepend(row);
  }
  return true;
}

/** Answers the rows that are new on the page. */
export function place(html) {
  const answer = rowsIn(html);
  const { pages } = answer.querySelector('.slip').dataset;
  if (pages) {
    // Pages came, went or moved: all of the script is fetched again, and says what was done.
    window.location.assign(`${window.location.pathname}?slip=${pages}`);
    return [];
  }
  const had = focused();
  const fresh = [];
  answer.querySelectorAll('[data-gone]').forEach(({ dataset }) => document.getElementById(`line-${dataset.gone}`)?.remove());
  let known = true;
  answer.querySelectorAll('li[data-page]').forEach((item) => {
    const row = item.querySelector('.row-line');
    if (!document.getElementById(row.id)) {
      fresh.push(row);
    }
    known = put(item, row) && known;
  });
  if (!known) {
    // Another tab changed the script; what was typed here is saved.
    window.location.reload();
    return [];
  }
  document.getElementById('slip').replaceChildren(...answer.querySelector('.slip').childNodes);
  focusAgain(had);
  return fresh;
}
