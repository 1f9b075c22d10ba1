/** The catalogue's word for a piece: a loaf without a tin has its own. */
export function pieceWord(piece: { kind: string; tin?: boolean }): string {
  const loaf = piece.kind === "loaf" || piece.kind === "layered";
  return loaf && piece.tin === false ? `${piece.kind}-free` : piece.kind;
}
