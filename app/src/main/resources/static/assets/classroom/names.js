// A short sound, such as a name; whoever waits for it doesn't wait long.
const LONGEST_MS = 2_500;

export function sayName(address) {
  if (!address) {
    return Promise.resolve();
  }
  return new Promise((done) => {
    const sound = new Audio(address);
    ['ended', 'error'].forEach((event) => sound.addEventListener(event, done));
    sound.play().catch(done);
    setTimeout(done, LONGEST_MS);
  });
}
