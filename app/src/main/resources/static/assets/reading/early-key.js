// Runs at once, unlike modules: Space is remembered from the first moment on.
document.addEventListener('keydown', function early(event) {
  if (event.key === ' ' && !event.repeat && !event.target.closest?.('button, input, select, textarea, a')) {
    document.documentElement.dataset.spacePressed = 'yes';
  }
});
