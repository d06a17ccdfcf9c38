// What is meant for paper goes there by one press.
document.addEventListener('click', (event) => {
  if (event.target.closest?.('[data-print]')) {
    window.print();
  }
});
