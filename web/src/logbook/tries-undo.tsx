import { useNavigate } from "react-router";
import { useRestoreTry } from "../tries/queries";
import { UndoBar } from "../ui/undo-bar";

type Props = { deleted: { id: string; name: string }; onClose: () => void };

/** Brings a deleted try back. */
export function TriesUndo({ deleted, onClose }: Props) {
  const restore = useRestoreTry();
  const navigate = useNavigate();
  return (
    <UndoBar
      name={deleted.name}
      failed={restore.isError}
      onClose={onClose}
      onBringBack={() =>
        restore.mutate(deleted.id, {
          onSuccess: () => {
            onClose();
            void navigate(`/logbook/${deleted.id}`);
          },
        })
      }
    />
  );
}
