// Requests to the server, with the token that shows they come from our own page.

export function csrfToken() {
  const cookie = document.cookie.split('; ').find((part) => part.startsWith('XSRF-TOKEN='));
  return cookie ? decodeURIComponent(cookie.slice('XSRF-TOKEN='.length)) : '';
}

/** Thrown when the server answers, but not with what was hoped for. */
export class Answer extends Error {
  constructor(response) {
    super(`answered ${response.status}`);
    this.response = response;
    this.status = response.status;
  }

  /** Signed out, or the session is another one: the request can be made again after signing in. */
  get needsSignIn() {
    return this.status === 401 || this.status === 403 || this.response.redirected;
  }
}

/** Whose page this is: another child may have come in on the same device since. */
export function ownerHeader() {
  const { owner } = document.documentElement.dataset;
  return owner ? { 'X-Owner': owner } : {};
}

/** @param keepalive whether it is sent even when the page is closed meanwhile */
export async function send(method, address, body, headers = {}, keepalive = false) {
  const response = await fetch(address, {
    method,
    body,
    keepalive,
    headers: { 'X-XSRF-TOKEN': csrfToken(), ...ownerHeader(), ...headers },
    credentials: 'same-origin',
  });
  if (!response.ok || response.redirected) {
    throw new Answer(response);
  }
  return response;
}
