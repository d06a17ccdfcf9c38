// How the things on a page look on the stage.

const SVG = 'http://www.w3.org/2000/svg';
const HTML = 'http://www.w3.org/1999/xhtml';
// Heights of rows by the height of the page: Text.Size in core.
const ROW = { TINY: 0.02, SMALL: 0.04, NORMAL: 0.06, LARGE: 0.1 };

const lower = (name, usual) => (name ?? usual).toLowerCase();

function svg(tag, attributes, words) {
  const made = document.createElementNS(SVG, tag);
  Object.entries(attributes).forEach(([name, value]) => made.setAttribute(name, value));
  if (words !== undefined) {
    made.textContent = words;
  }
  return made;
}

function block(area, className, words) {
  const foreign = svg('foreignObject', { ...area, class: 'dress' });
  const div = document.createElementNS(HTML, 'div');
  div.className = className;
  div.dir = 'auto';
  div.textContent = words;
  foreign.append(div);
  return foreign;
}

const under = (area, words) => svg('text', { x: area.x, y: area.y + area.height + 17, class: 'dress' }, words);

/** @param sheet { height of the page, mark and tab to be cloned, thingsAt the address of pictures, pageName of an id } */
export function dressFor(sheet) {
  const marked = (box, thing, area) => {
    const look = thing.look ?? {};
    if (thing.mark !== false) {
      const mark = (thing.press ? sheet.tab : sheet.mark).cloneNode(true);
      Object.entries(area).forEach(([name, value]) => mark.setAttribute(name, value));
      mark.classList.add('dress', `tint-${lower(look.tint, 'MOSS')}`, `border-${lower(look.border, 'NONE')}`);
      box.append(mark);
    }
    if (look.label) {
      box.append(svg('text', { x: area.x + area.width / 2, y: area.y + area.height + 17, class: 'dress label' }, look.label));
    }
  };
  const dresses = {
    SPOT: marked,
    EVERY_SPOT: marked,
    JUMP: (box, thing, area) => box.append(...(thing.words ? [block(area, 'link-words', thing.words)] : []), under(area, `${{ RIGHT: '✓', WRONG: '✗' }[thing.way] ?? '→'} ${sheet.pageName(thing.pageId)}`)),
    LINK: (box, thing, area) => box.append(thing.seen ? block(area, 'link-words', thing.words) : under(area, thing.words ? '' : `↗ ${thing.address}`)),
    TEXT: (box, thing, area) => {
      const text = block(area, `text-words tint-${lower(thing.tint, 'INK')}`, thing.words);
      text.firstChild.style.fontSize = `${sheet.height * ROW[thing.size ?? 'NORMAL']}px`;
      box.append(text);
    },
    ANSWER: (box, thing, area) => box.append(block(area, 'answer-words', sheet.lineWords(thing.lineId))),
    PICTURE: (box, thing, area) => box.append(svg('image', { ...area, href: sheet.thingsAt + thing.hash, class: 'dress' })),
  };
  return (box, thing, area) => dresses[thing.kind](box, thing, area);
}

/** The classes of a thing's box. */
export const kindOf = (thing) => `${thing.kind.toLowerCase().replace('_', '-')}${thing.mark === false ? ' area' : ''} ${lower(thing.way, '')}`;
