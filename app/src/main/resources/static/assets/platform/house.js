// Loaded on every teacher's page.
import { csrfToken } from './requests.js';
import { tell, tellNothing } from './note.js';
import './listen.js';
import './keys.js';
import './copy.js';
import { resumeUploads } from '../record/resume-uploads.js';

document.addEventListener('htmx:configRequest', (event) => {
  event.detail.headers['X-XSRF-TOKEN'] = csrfToken();
});

document.addEventListener('htmx:responseError', (event) => {
  tell([401, 403].includes(event.detail.xhr.status) ? 'signedOut' : 'failed');
});
document.addEventListener('htmx:sendError', () => tell('offline'));
document.addEventListener('htmx:afterOnLoad', tellNothing);

// A choice that holds at once; without a script there is a button.
document.addEventListener('change', ({ target }) => target.matches('select[data-sends]') && target.form.requestSubmit());

if (document.querySelector('.who')) {
  resumeUploads();
}
