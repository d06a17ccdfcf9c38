// Copies what stands in a field; where the browser doesn't let a page copy, it is selected for the keyboard.
document.querySelectorAll('[data-copies]').forEach((button) => button.addEventListener('click', async () => {
  const field = document.getElementById(button.dataset.copies);
  field.select();
  try {
    await navigator.clipboard.writeText(field.value);
    button.textContent = button.dataset.copied;
  } catch {
    field.focus();
  }
}));
