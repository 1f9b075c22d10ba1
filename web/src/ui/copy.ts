/** Copies text; also where a page over plain HTTP has no clipboard of its own. */
export async function copy(text: string): Promise<void> {
  if (window.isSecureContext) {
    await navigator.clipboard.writeText(text);
    return;
  }
  const field = document.createElement("textarea");
  field.value = text;
  field.readOnly = true;
  field.className = "visually-hidden";
  const dialog = document.querySelector("[role=dialog] .modal-content") ?? document.body;
  dialog.append(field); // within an open dialog, which keeps the focus
  field.select();
  document.execCommand("copy");
  field.remove();
}
