// Copies what stands in a field; where the browser doesn't let a page copy, it is selected for the keyboard.
document.querySelectorAll('[data-copies]').forEach((button) => button.addEventListener('click', async () => {
  const field = document.getElementById(button.dataset.copies);
  field.select();
  try {
    // Only secure pages have a clipboard; the older way is there on all.
    if (!(navigator.clipboard ? await navigator.clipboard.writeText(field.value).then(() => true) : document.execCommand('copy'))) {
      throw new Error('not copied');
    }
    button.textContent = button.dataset.copied;
  } catch {
    field.focus();
  }
}));
