// What an edit will come to, so that it is heard before the server has put it on its disk and said so exactly.

const kept = (piece) => piece.endMs > 0;

function cut(pieces, from, to) {
  return pieces.flatMap((piece) => {
    if (!kept(piece) || piece.endMs <= from || piece.startMs >= to) {
      return [piece];
    }
    return [{ ...piece, endMs: Math.min(piece.endMs, from) }, { ...piece, startMs: Math.max(piece.startMs, to) }]
      .filter((part) => part.endMs > part.startMs);
  });
}

function pause(pieces, at, pauseMs) {
  return pieces.flatMap((piece) => {
    const inside = kept(piece) && at > piece.startMs && at < piece.endMs;
    return inside ? [{ ...piece, endMs: at }, { startMs: 0, endMs: 0, pauseMs }, { ...piece, startMs: at }] : [piece];
  });
}

/** The bench as it will be after an edit; null when only the server can tell. */
export function optimisticEdit(bench, edit) {
  const { pieces } = bench;
  switch (edit?.kind) {
    case 'CUT': return { ...bench, pieces: cut(pieces, edit.startMs, edit.endMs) };
    case 'PAUSE': return { ...bench, pieces: pause(pieces, edit.startMs, edit.endMs) };
    case 'GAIN': return { ...bench, gainDb: edit.db };
    case 'QUIETER': return { ...bench, quieter: edit.on };
    default: return null;
  }
}
