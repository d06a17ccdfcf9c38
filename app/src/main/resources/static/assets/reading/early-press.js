// Whether Space was pressed before the page was ready for it: as early-key.js saw it, which runs before any module.
export const early = { pressed: document.documentElement.dataset.spacePressed === 'yes' };
