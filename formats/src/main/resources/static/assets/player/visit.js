// What is remembered for this visit. Within a page elsewhere a browser may refuse to keep anything: then for this page alone.

const here = new Map();

export function remember(key, value) {
  here.set(key, String(value));
  try {
    sessionStorage.setItem(key, value);
  } catch {
    // It stays in the map.
  }
}

export function remembered(key) {
  try {
    return sessionStorage.getItem(key) ?? here.get(key) ?? null;
  } catch {
    return here.get(key) ?? null;
  }
}
