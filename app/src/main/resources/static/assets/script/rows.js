// A long script comes with words alone. A row gets its buttons and its trace before it is scrolled into view, when it is
// pressed, or when this browser holds unsaved words of it.
import { draftedLines, takeUp } from './autosave.js';
import { served } from '../platform/served.js';

const AHEAD = '600px';
const AT_A_TIME = 40;
const RETRY_MS = 3000;

const wanted = new Set();
let fetching = false;

export const lineOf = (row) => row.id.slice('line-'.length);

/** The rows of an answer of the server's. */
export function rowsIn(html) {
  const holder = document.createElement('template');
  holder.innerHTML = html;
  return holder.content;
}

async function fetchWanted(lesson) {
  if (fetching || wanted.size === 0) {
    return;
  }
  fetching = true;
  const some = [...wanted].slice(0, AT_A_TIME);
  const query = new URLSearchParams(some.map((row) => ['line', lineOf(row)]));
  try {
    const response = await fetch(served(`/lessons/${lesson}/rows?${query}`));
    if (!response.ok || response.redirected) {
      throw new Error(`answered ${response.status}`);
    }
    rowsIn(await response.text()).querySelectorAll('.row-line').forEach((full) => {
      const light = document.getElementById(full.id);
      if (light?.classList.contains('light')) {
        full.hidden = light.hidden;
        light.replaceWith(full);
        takeUp(full);
        if (light.dataset.pressed) {
          full.querySelector('textarea').focus();
        }
      }
    });
    some.forEach((row) => wanted.delete(row));
    document.body.dispatchEvent(new CustomEvent('rows-came'));
    fetching = false;
    fetchWanted(lesson);
  } catch (noConnection) {
    setTimeout(() => {
      fetching = false;
      fetchWanted(lesson);
    }, RETRY_MS);
  }
}

/** Puts in the rows of a long script that the page brought as data. */
function addLightRows(sheet) {
  const names = new Map([...document.getElementById('kinds').content.children].map((each) => [each.value, each.textContent]));
  const lists = new Map([...sheet.querySelectorAll('.lines')].map((list) => [list.dataset.page, [list, document.createDocumentFragment()]]));
  JSON.parse(document.getElementById('light-lines').textContent).forEach(({ id, page, kind, state, words }) => {
    const row = document.createElement('li');
    row.id = `line-${id}`;
    row.className = `row-line light ${state.toLowerCase()}`;
    row.dataset.kind = kind;
    const name = document.createElement('span');
    name.textContent = names.get(kind);
    const text = document.createElement('p');
    text.dir = 'auto';
    text.textContent = words;
    row.append(name, text);
    lists.get(page)[1].append(row);
  });
  lists.forEach(([list, rows]) => list.append(rows));
}

/** Goes where the address points, now that the row is there. */
function goToHash() {
  if (window.location.hash.startsWith('#line-')) {
    document.getElementById(window.location.hash.slice(1))?.scrollIntoView();
  }
}

/** Looks after the light rows of a sheet. */
export function fillRows(sheet, lesson) {
  addLightRows(sheet);
  goToHash();
  const seen = new IntersectionObserver((entries) => {
    entries.filter((entry) => entry.isIntersecting).forEach(({ target }) => {
      seen.unobserve(target);
      wanted.add(target);
    });
    fetchWanted(lesson);
  }, { rootMargin: `${AHEAD} 0px` });
  // Not before the page is drawn: thousands of places to watch take their time.
  window.addEventListener('load', () => setTimeout(() => {
    sheet.querySelectorAll('.row-line.light').forEach((row) => seen.observe(row));
  }));
  sheet.querySelectorAll('.row-line:not(.light)').forEach(takeUp);
  draftedLines().forEach((line) => {
    const row = document.getElementById(`line-${line}`);
    if (row?.classList.contains('light')) {
      wanted.add(row);
    }
  });
  fetchWanted(lesson);
  sheet.addEventListener('click', ({ target }) => {
    const row = target.closest('.row-line.light');
    if (row) {
      row.dataset.pressed = 'yes';
      wanted.add(row);
      fetchWanted(lesson);
    }
  });
}
