import type { BuildDocument, Cook, Piece, Vocabulary } from "../api/client";
import { usualPiece } from "./edits";

/** How a document that does not say is cooked: as is usual for its kind of piece. */
export function cookOf(document: Pick<BuildDocument, "cook" | "piece">, vocabulary: Vocabulary): Cook {
  const piece: Piece = document.piece ?? usualPiece;
  const method = vocabulary.kinds.find((k) => k.kind === piece.kind)?.method ?? "pan";
  return document.cook ?? { method };
}
