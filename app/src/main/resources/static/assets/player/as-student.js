// The teacher's look at a student's page, at the sizes that students have.

const SIZES = { DESK: [1280, 800], TABLET: [768, 1024], PHONE: [390, 844] };
const MARGIN = 24;

const stand = document.querySelector('.window');
const frame = document.getElementById('frame');

function fit() {
  const size = document.querySelector('[name=size]:checked').value;
  const [width, height] = SIZES[size];
  stand.dataset.size = size;
  frame.style.width = `${width}px`;
  frame.style.height = `${height}px`;
  const scale = Math.min(1, (stand.clientWidth - MARGIN) / width, (stand.clientHeight - MARGIN) / height);
  frame.style.transform = `translate(-50%, -50%) scale(${scale})`;
}

document.querySelector('.sizes').addEventListener('change', fit);
window.addEventListener('resize', fit);
fit();
