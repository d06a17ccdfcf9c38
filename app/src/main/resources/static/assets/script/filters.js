// Which lines of the script are shown: by state, by kind, by words. Nothing is fetched; thousands of rows take no time.

const STATES = ['silent', 'voiced', 'outdated', 'doubtful'];

function matches(line, { sought, state, kind }) {
  const words = () => (line.querySelector('textarea')?.value ?? line.querySelector('p').textContent).toLocaleLowerCase();
  return (!state || STATES.find((each) => line.classList.contains(each)) === state)
    && (!kind || line.dataset.kind === kind)
    && (!sought || words().includes(sought));
}

/** Shows the lines that match. */
function apply(filter) {
  const wanted = {
    sought: filter.querySelector('#find').value.trim().toLocaleLowerCase(),
    state: filter.querySelector('#filter-state').value,
    kind: filter.querySelector('#filter-kind').value,
  };
  const filtered = Boolean(wanted.sought || wanted.state || wanted.kind);
  let shown = 0;
  document.querySelectorAll('.page').forEach((page) => {
    let onPage = 0;
    page.querySelectorAll('.row-line').forEach((line) => {
      const stays = !filtered || matches(line, wanted);
      if (line.hidden === stays) {
        line.hidden = !stays;
      }
      onPage += stays ? 1 : 0;
    });
    page.hidden = filtered && onPage === 0;
    shown += onPage;
  });
  document.getElementById('nothing-found').hidden = shown > 0 || !filtered;
}

export function watchFilters(filter) {
  filter.addEventListener('input', () => apply(filter));
  filter.addEventListener('submit', (event) => event.preventDefault());
  filter.addEventListener('reset', () => setTimeout(() => apply(filter)));
  // Chosen before this script had come, or put back by the browser.
  apply(filter);
}
