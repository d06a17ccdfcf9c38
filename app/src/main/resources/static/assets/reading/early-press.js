// Whether Space was pressed before the page was ready for it. Loaded before all else; modules come later than a quick thumb.
export const early = { pressed: document.documentElement.dataset.spacePressed === 'yes' };
