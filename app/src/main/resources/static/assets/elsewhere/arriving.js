// Recordings that come in: one is split over the script, several are matched to its lines.
import { takeIn } from '../platform/arriving.js';
import { newId } from '../platform/new-id.js';
import { served } from '../platform/served.js';

const lesson = served(`/lessons/${document.querySelector('.elsewhere').dataset.lesson}`);
const named = (file) => `?name=${encodeURIComponent(file.name)}`;

takeIn({
  kind: 'sound',
  largestBytes: 2 * 1024 ** 3,
  addresses(files) {
    const id = newId();
    return files.length === 1
      ? [`${lesson}/long-recordings/${id}${named(files[0])}`]
      : files.map((file, number) => `${lesson}/batches/${id}/files/${number}${named(file)}`);
  },
  // A batch tells itself what of it is missing.
  afterwards: (places) => places.at(-1),
});
