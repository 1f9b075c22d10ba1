/** The catalogue's word for a piece: a loaf without a tin has its own. */
export function pieceWord(piece: { kind: string; tin?: boolean }): string {
  return piece.kind === "loaf" && piece.tin === false ? "loaf-free" : piece.kind;
}
