// Many files and their match: the places are filled in when they are asked for, and the table follows the server.

const fill = (select) => {
  if (select.options.length === 1) {
    const { value } = select;
    select.replaceChildren(document.getElementById('places').content.cloneNode(true));
    select.value = value;
  }
};

document.addEventListener('focusin', (event) => {
  const select = event.target.closest?.('.match select');
  if (select) {
    fill(select);
  }
});

/** Puts the server's table and dock in the place of ours, and the focus back where it was. */
document.addEventListener('htmx:afterRequest', (event) => {
  if (!event.detail.successful) {
    return;
  }
  const answer = new DOMParser().parseFromString(event.detail.xhr.responseText, 'text/html');
  const row = document.activeElement?.closest('tr')?.dataset.number;
  ['matched', 'dock'].forEach((id) => {
    const part = answer.getElementById(id);
    const place = document.getElementById(id);
    if (part && place.innerHTML !== part.innerHTML) {
      place.innerHTML = part.innerHTML;
      htmx.process(place);
    }
  });
  if (row) {
    document.querySelector(`tr[data-number="${row}"] select`)?.focus();
  }
});
