// The words of the message bundle that a page carries for its scripts.

const words = new Map(
  [...(document.getElementById('words')?.content.children ?? [])].map((p) => [p.dataset.key, p.textContent]),
);

/** The words of a key, with {name} replaced by the values given. */
export function say(key, values = {}) {
  const text = words.get(key) ?? key;
  return text.replace(/\{(\w+)\}/g, (whole, name) => values[name] ?? whole);
}

/** 83000 ms as 1:23, 3683000 ms as 1:01:23. */
export function clock(ms) {
  const seconds = Math.max(0, Math.floor(ms / 1000));
  const two = (number) => String(number).padStart(2, '0');
  const minutes = Math.floor(seconds / 60);
  return minutes < 60 ? `${minutes}:${two(seconds % 60)}` : `${Math.floor(minutes / 60)}:${two(minutes % 60)}:${two(seconds % 60)}`;
}
