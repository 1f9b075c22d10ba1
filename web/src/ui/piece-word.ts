import type { Piece } from "../api/client";

type Kind = Piece["kind"];

/** The catalogue's word for a piece: a loaf without a tin has its own. */
export function pieceWord(piece: { kind: Kind; tin?: boolean }): Kind | "loaf-free" | "layered-free" {
  const loaf = piece.kind === "loaf" || piece.kind === "layered";
  return loaf && piece.tin === false ? (`${piece.kind}-free` as "loaf-free" | "layered-free") : piece.kind;
}
