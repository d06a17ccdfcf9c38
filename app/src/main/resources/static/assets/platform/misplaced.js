// What a file is by the ending of its name, for those that are dropped where another kind is taken.
const ENDINGS = {
  paper: ['pptx', 'pdf', 'png', 'jpg', 'jpeg', 'webp', 'gif', 'svg'],
  sound: ['mp3', 'm4a', 'aac', 'wav', 'ogg', 'oga', 'opus', 'flac', 'webm', 'mp4', 'mov', 'mka', 'mkv', 'amr', 'wma'],
  lesson: ['zip'],
};

/** The kind that a file is, when that isn't the one that is taken here; otherwise null. */
export function misplaced(file, taken) {
  const ending = file.name.toLowerCase().split('.').at(-1);
  const kind = Object.keys(ENDINGS).find((each) => ENDINGS[each].includes(ending));
  return kind && kind !== taken ? kind : null;
}
