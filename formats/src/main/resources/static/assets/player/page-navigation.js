// PageNavigation pages without leaving the lesson: sound may go on where it shall, and needs no new press to start.

const FRESH_MS = 60_000;
const SOUNDS_AHEAD = 2;

export class PageNavigation {
  #ahead = new Map();

  // A second press on the arrow while the page is on its way is no second page.
  #going = false;

  // The pages of a lesson in one file, by what follows the # in their addresses; otherwise there are none.
  #inFile = JSON.parse(document.getElementById('other-pages')?.textContent ?? '{}');

  #onWay;

  #onLeave;

  #onOpen;

  #onTrouble;

  /** @param onWay called with a right or a wrong way, answers when it may be gone @param onLeave called before a page goes, answers whether it may @param onOpen when another is there @param onTrouble when it didn't come */
  constructor({ onWay, onLeave, onOpen, onTrouble }) {
    this.#onWay = onWay;
    this.#onLeave = onLeave;
    this.#onOpen = onOpen;
    this.#onTrouble = onTrouble;
    document.addEventListener('click', (event) => {
      const way = event.target.closest('a[data-turn], a.jump');
      if (way && !event.ctrlKey && !event.metaKey && !event.shiftKey) {
        event.preventDefault();
        this.#press(way);
      }
    });
    window.addEventListener('popstate', () => this.go(window.location.href, false));
    if (window.location.hash in this.#inFile && window.location.hash !== '#1') {
      this.go(window.location.href, false);
    }
  }

  async #press(way) {
    if (way.dataset.way && !way.classList.contains('gone')) {
      // A second press doesn't wait for what is said.
      way.classList.add('gone');
      await this.#onWay(way.dataset.way);
      if (!way.isConnected) {
        return;
      }
    }
    if (way.matches('.way-back') && turned() > 0) {
      window.history.back();
    } else {
      this.go(way.href, true);
    }
  }

  async go(address, push) {
    if (this.#going && push) {
      return;
    }
    this.#going = true;
    let text;
    try {
      const known = this.#ahead.get(address);
      text = this.#inFile[new URL(address).hash || '#1']
        ?? (known && performance.now() - known.at < FRESH_MS ? await known.text : await fetchPage(address));
    } catch (failure) {
      if (failure.gone) {
        window.location.href = address;
      } else {
        this.#onTrouble();
      }
      return;
    } finally {
      this.#ahead.clear();
      this.#going = false;
    }
    if (!await this.#onLeave()) {
      return;
    }
    const fresh = new DOMParser().parseFromString(text, 'text/html');
    if (push) {
      window.history.pushState({ turned: turned() + 1 }, '', address);
    }
    // Here everything is at hand, and the voices go on.
    fresh.getElementById('voice')?.remove();
    fresh.body.classList.remove('waits');
    document.title = fresh.title;
    document.body.className = fresh.body.className;
    document.body.replaceChildren(...fresh.body.childNodes);
    document.querySelector('main').focus({ preventScroll: true });
    this.#onOpen();
  }

  /** Fetches the page that comes next, with its picture and its first sounds, before it is asked for. */
  lookAhead() {
    const next = document.querySelector('[data-turn=next]')?.href;
    if (!next || this.#ahead.has(next)) {
      return;
    }
    if (new URL(next).hash in this.#inFile) {
      return;
    }
    const text = fetchPage(next);
    this.#ahead.set(next, { text, at: performance.now() });
    text.then((html) => {
      const page = new DOMParser().parseFromString(html, 'text/html');
      page.querySelectorAll('img[src]').forEach((picture) => {
        new Image().src = picture.getAttribute('src');
      });
      const sounds = [...page.querySelectorAll('[data-sound]')].map((spot) => spot.dataset.sound);
      [...new Set(sounds)].slice(0, SOUNDS_AHEAD).forEach((sound) => fetch(sound, { priority: 'low' }).catch(() => {}));
    }).catch(() => this.#ahead.delete(next));
  }
}

/** How many pages were turned up to this one: so many can be gone back. */
const turned = () => window.history.state?.turned ?? 0;

async function fetchPage(address) {
  const response = await fetch(address);
  if (!response.ok) {
    throw Object.assign(new Error(`answered ${response.status}`), { gone: true });
  }
  return response.text();
}
