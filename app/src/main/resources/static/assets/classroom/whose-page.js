// One child at a time is inside on a device. The page of another one, left open in some tab, shows nothing and takes nothing.
import { served } from '../platform/served.js';
const KEY = 'inside';

function inside() {
  try {
    return localStorage.getItem(KEY);
  } catch {
    return null;
  }
}

/** @param owner who came in; empty: nobody is inside any more */
export function isInside(owner) {
  try {
    localStorage.setItem(KEY, owner);
  } catch {
    // Then what the server says of it has to be enough.
  }
}

/** This page is a child's, as long as she is inside. */
export function onlyFor(owner) {
  isInside(owner);
  const look = () => {
    const who = inside();
    if (who !== null && who !== owner) {
      document.documentElement.hidden = true;
      document.body.inert = true;
      window.location.replace(served('/my'));
    }
  };
  window.addEventListener('storage', ({ key }) => key === KEY && look());
  ['pageshow', 'focus'].forEach((event) => window.addEventListener(event, look));
  document.addEventListener('visibilitychange', look);
}
