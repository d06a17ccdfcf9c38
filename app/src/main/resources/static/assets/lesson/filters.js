// Which lines of the script are shown: by state, by kind, by words. Nothing is fetched; thousands of rows take no time.

const row = (line) => ({
  line,
  state: ['silent', 'voiced', 'outdated', 'doubtful'].find((state) => line.classList.contains(state)),
  kind: line.querySelector('.kind').value,
  words: line.querySelector('textarea').value.toLocaleLowerCase(),
});

/** Shows the lines that match; answers how many there are. */
function apply(filter) {
  const sought = filter.querySelector('#find').value.trim().toLocaleLowerCase();
  const state = filter.querySelector('#filter-state').value;
  const kind = filter.querySelector('#filter-kind').value;
  let shown = 0;
  document.querySelectorAll('.row-line').forEach((line) => {
    const { state: its, kind: own, words } = row(line);
    const matches = (!state || its === state) && (!kind || own === kind) && words.includes(sought);
    line.hidden = !matches;
    shown += matches ? 1 : 0;
  });
  document.querySelectorAll('.page').forEach((page) => {
    page.hidden = Boolean(sought || state || kind) && !page.querySelector('.row-line:not([hidden])');
  });
  document.getElementById('nothing-found').hidden = shown > 0;
}

export function watchFilters(filter) {
  filter.addEventListener('input', () => apply(filter));
  filter.addEventListener('submit', (event) => event.preventDefault());
  filter.addEventListener('reset', () => setTimeout(() => apply(filter)));
  // Chosen before this script had come, or put back by the browser.
  apply(filter);
}
