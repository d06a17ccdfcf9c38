// A page that was opened by a code: how far it is listened to is counted, for nobody's name; and it is kept in the browser.
const { listened, keeper } = document.body.dataset;
const furthest = new Map();

function tell(voice) {
  const share = furthest.get(voice) ?? 0;
  furthest.delete(voice);
  if (share > 0) {
    fetch(listened + Math.round(share * 100), { method: 'POST', keepalive: true }).catch(() => {});
  }
}

/** Voices are not in the document: what they do is heard where they are made. */
const { play } = HTMLMediaElement.prototype;
HTMLMediaElement.prototype.play = function playAndCount(...rest) {
  if (!this.isCounted) {
    this.isCounted = true;
    this.addEventListener('timeupdate', () => {
      if (this.duration > 0 && !this.src.includes('/prompts/')) {
        furthest.set(this, Math.max(furthest.get(this) ?? 0, this.currentTime / this.duration));
      }
    });
    this.addEventListener('ended', () => tell(this));
    this.addEventListener('emptied', () => tell(this));
  }
  return play.apply(this, rest);
};
window.addEventListener('pagehide', () => [...furthest.keys()].forEach(tell));

// Only where the connection is safe does a browser keep pages.
if ('serviceWorker' in navigator) {
  const scope = new URL(keeper, window.location.href).pathname.replace('/keeper.js', '');
  navigator.serviceWorker.register(keeper, { scope })
    .then(() => navigator.serviceWorker.ready)
    .then((ready) => {
      const sounds = [...document.querySelectorAll('[data-src]')].map((each) => each.dataset.src);
      const parts = performance.getEntriesByType('resource').map((each) => each.name);
      ready.active.postMessage({ keep: [window.location.href, ...parts, ...sounds] });
    })
    .catch(() => {});
}
