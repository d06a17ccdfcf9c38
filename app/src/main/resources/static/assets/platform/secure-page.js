// A microphone is given to secure pages alone (W3C Secure Contexts). Where this server has a secure address that this browser
// trusts, a page that needs one goes over to it by itself; else it can lead there.
import { served } from './served.js';

/** The secure address of this page; null: it is secure, or there is none. */
export async function secureAddress() {
  if (window.isSecureContext) {
    return null;
  }
  try {
    const { address } = await (await fetch(served('/secure-address'), { cache: 'no-store' })).json();
    const { pathname, search, hash } = window.location;
    return address ? new URL(pathname + search + hash, address).href : null;
  } catch {
    return null;
  }
}

/** Goes over if it can; answers where it would lead, or null. */
export async function goOver() {
  const there = await secureAddress();
  if (there) {
    try {
      await fetch(new URL(served('/secure-address'), there), { mode: 'no-cors', cache: 'no-store' });
      window.location.replace(there);
    } catch {
      // This browser was not told to trust it as yet.
    }
  }
  return there;
}

/** Puts a link that leads there after what the place says; nothing where there is none. */
export function leadTo(there, place) {
  if (!there) {
    return;
  }
  const link = document.createElement('a');
  link.className = 'secure-page';
  link.href = there;
  link.textContent = new URL(there).origin;
  place.append(' ', link);
}
