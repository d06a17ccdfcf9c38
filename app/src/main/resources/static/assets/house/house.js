// Loaded on every teacher's page.
import { csrfToken } from './requests.js';
import './listen.js';
import './keys.js';
import { catchUp } from '../reading/catchup.js';

document.addEventListener('htmx:configRequest', (event) => {
  event.detail.headers['X-XSRF-TOKEN'] = csrfToken();
});

// When a change could not be made, the page says so; nothing on it is replaced.
function tell(key) {
  const place = document.getElementById('house-note');
  place.textContent = place.dataset[key];
  place.hidden = false;
}

document.addEventListener('htmx:responseError', (event) => {
  tell([401, 403].includes(event.detail.xhr.status) ? 'signedOut' : 'failed');
});
document.addEventListener('htmx:sendError', () => tell('offline'));
document.addEventListener('htmx:afterOnLoad', () => { document.getElementById('house-note').hidden = true; });

if (document.querySelector('.who')) {
  catchUp();
}
