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

const LANE = 'outbox';
const items = () => JSON.parse(remembered(LANE) ?? '[]').filter((each) => each.lane);

/** Where what is to reach the server waits for this visit alone; see the outbox. */
export const ofVisit = {
  async put(item) {
    remember(LANE, JSON.stringify([...items(), item]));
  },
  async all(lane) {
    return items().filter((item) => item.lane === lane);
  },
  async drop({ id }) {
    remember(LANE, JSON.stringify(items().filter((item) => item.id !== id)));
  },
};
