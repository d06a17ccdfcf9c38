// The script page: rows that save themselves, and coverage that follows.
import { watch, watchField } from './autosave.js';
import { watchFilters } from './filters.js';

const lesson = document.querySelector('.lesson').dataset.lesson;

function prepare(row) {
  if (row.dataset.watched) {
    return;
  }
  row.dataset.watched = 'yes';
  watch(row);
  const area = row.querySelector('textarea');
  area.addEventListener('keydown', (event) => {
    if (event.key === 'Enter' && !event.shiftKey && !event.isComposing) {
      event.preventDefault();
      htmx.ajax('POST', `/lines/${row.dataset.line}/after`, { target: row, swap: 'afterend' });
    }
  });
}

function refresh() {
  htmx.ajax('GET', `/lessons/${lesson}/coverage`, { target: 'body', swap: 'none' });
}

document.querySelectorAll('.row-line').forEach(prepare);
document.querySelectorAll('[data-save]').forEach(watchField);
watchFilters(document.getElementById('filters'));
document.body.addEventListener('script-changed', refresh);
document.body.addEventListener('htmx:afterSettle', () => {
  document.querySelectorAll('.row-line:not([data-watched])').forEach((row) => {
    prepare(row);
    row.querySelector('textarea').focus();
    refresh();
  });
});
document.body.addEventListener('htmx:afterRequest', (event) => {
  const verb = event.detail.requestConfig?.verb;
  if (event.detail.successful && (verb === 'delete' || verb === 'put')) {
    refresh();
  }
});

const only = document.querySelectorAll('.row-line textarea');
if (only.length === 1 && only[0].value === '') {
  only[0].focus();
}
