// Loaded on every teacher's page.
import { csrfToken } from './requests.js';
import './listen.js';
import './keys.js';
import { catchUp } from '../reading/catchup.js';

document.addEventListener('htmx:configRequest', (event) => {
  event.detail.headers['X-XSRF-TOKEN'] = csrfToken();
});

if (document.querySelector('.who')) {
  catchUp();
}
