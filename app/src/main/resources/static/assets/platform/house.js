// Loaded on every teacher's page.
import { csrfToken } from './requests.js';
import { keyOf, tell, tellNothing } from './note.js';
import './listen.js';
import './print.js';
import './keys.js';
import './copy.js';
import { resumeUploads } from '../record/resume-uploads.js';

document.addEventListener('htmx:configRequest', (event) => {
  event.detail.headers['X-XSRF-TOKEN'] = csrfToken();
});

// What was pressed: of a form its button, as long as it is there.
const pressed = ({ elt }) => (elt.contains(document.activeElement) ? document.activeElement : elt);

document.addEventListener('htmx:responseError', ({ detail }) => tell(keyOf(detail.xhr.status), pressed(detail)));
['htmx:sendError', 'htmx:timeout'].forEach((failed) => document.addEventListener(failed, ({ detail }) => tell('offline', pressed(detail))));
// This comes after a failure, too.
document.addEventListener('htmx:afterOnLoad', ({ detail }) => !detail.failed && tellNothing());

// The time zone of this browser, where none is set.
document.querySelectorAll('input[data-zone]').forEach((field) => { field.value ||= Intl.DateTimeFormat().resolvedOptions().timeZone ?? ''; });

// A choice that holds at once; without a script there is a button.
document.addEventListener('change', ({ target }) => target.matches('select[data-sends]') && target.form.requestSubmit());

if (document.querySelector('.who')) {
  resumeUploads();
}
