// Links that lead out of a lesson: the first press says so, the second one goes.

/** @param warn says it */
export function warnOfLinks(warn) {
  document.querySelectorAll('a.link').forEach((link) => link.addEventListener('click', (event) => {
    if (link.classList.contains('warned')) {
      link.classList.remove('warned');
      return;
    }
    event.preventDefault();
    document.querySelectorAll('.warned').forEach((other) => other.classList.remove('warned'));
    link.classList.add('warned');
    warn();
  }));
}
