import { useEmptyDocument } from "./use-empty-document";
import { useMemo } from "react";
import { useNavigate } from "react-router";
import { useActions } from "../keys/actions";
import { addLine } from "../editing/edits";
import { useCreateBuild } from "../editing/queries";
import type { Foods } from "../api/client";
import type { BuildSession } from "../editing/session";

type Props = {
  session: BuildSession;
  foods: Foods;
  onBuilds: () => void;
  onVersions: (open: boolean) => void;
  onScale: () => void;
  onRead: () => void;
  /** Shows another part, from the one that is shown. */
  onPart: (next: (shown: number) => number) => void;
};

/** What single keys and the search can ask of the Bench. All that is given must stay the same. */
export function useBenchActions({ session, foods, onBuilds, onVersions, onScale, onRead, onPart }: Props) {
  const navigate = useNavigate();
  const { mutate: createBuild } = useCreateBuild();
  const empty = useEmptyDocument();
  useActions(
    useMemo(
      () => ({
        builds: onBuilds,
        new: () =>
          createBuild(empty(), {
            onSuccess: (b) => void navigate(`/bench/${b.id}`, { state: { rename: true } }),
          }),
        add: () => window.document.querySelector<HTMLElement>(".add-food input")?.focus(),
        addFood: (id: string) => {
          const food = foods.get(id);
          if (food) session.edit(addLine(food));
        },
        versions: () => onVersions(true),
        scale: onScale,
        read: onRead,
        sheet: () => void session.save().then(() => navigate(`/sheet/${session.id}`)),
        partBefore: () => onPart((at) => Math.max(-1, at - 1)),
        partAfter: () =>
          onPart((at) => Math.min((session.snapshot().document.parts?.length ?? 0) - 1, at + 1)),
      }),
      [onBuilds, onVersions, onScale, onRead, onPart, createBuild, navigate, session, foods, empty],
    ),
  );
}
