import { useEffect } from "react";
import { typing } from "../keys/actions";

const inDialog = () => document.querySelector(".modal.show, .offcanvas.show") !== null;

/** A recipe is brought in by pasting where nobody types, and by dropping a file or words anywhere. */
export function useBringIn(onRecipe: (source: Blob | string) => void) {
  useEffect(() => {
    const paste = (e: ClipboardEvent) => {
      const text = e.clipboardData?.getData("text") ?? "";
      if (typing(e.target) || inDialog() || text.trim() === "") return;
      e.preventDefault();
      onRecipe(text);
    };
    const over = (e: DragEvent) => {
      const types = e.dataTransfer?.types ?? [];
      if (types.includes("Files") && !inDialog()) e.preventDefault();
    };
    const drop = (e: DragEvent) => {
      const file = e.dataTransfer?.files[0];
      if (!file || inDialog()) return;
      e.preventDefault();
      onRecipe(file);
    };
    addEventListener("paste", paste);
    addEventListener("dragover", over);
    addEventListener("drop", drop);
    return () => {
      removeEventListener("paste", paste);
      removeEventListener("dragover", over);
      removeEventListener("drop", drop);
    };
  }, [onRecipe]);
}
