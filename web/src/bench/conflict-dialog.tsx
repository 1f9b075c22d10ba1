import { useNavigate } from "react-router";
import { useTranslation } from "../i18n/use-translation";
import type { BuildDocument, Foods, Line } from "../api/client";
import { useFormat } from "../ui/format";
import { ConflictChoice } from "../build/conflict-choice";
import { usePrepWords } from "../build/prep-editor";
import { useCreateBuild } from "../editing/queries";
import { type BuildSession, type Kept, sameDocument } from "../editing/session";

type Props = { session: BuildSession; mine: BuildDocument; theirs: Kept<BuildDocument>; foods: Foods };

/** Two windows changed one build: shows where they differ, and lets the cook say which stands. */
export function ConflictDialog({ session, mine, theirs, foods }: Props) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const create = useCreateBuild();
  const format = useFormat();
  const prepWords = usePrepWords();
  const rows = differences(mine, theirs.document);
  const show = (line?: Line) =>
    line ? [format.grams(line.grams), ...(line.prep ?? []).map(prepWords)].join(", ") : t("conflict.absent");

  function keepBoth() {
    const name = mine.name || t("builds.untitled");
    create.mutate(
      { ...mine, name: t("builds.copyOf", { name }).slice(0, 200) },
      {
        onSuccess: (copy) => {
          session.takeTheirs();
          void navigate(`/bench/${copy.id}`);
        },
      },
    );
  }

  return (
    <ConflictChoice
      id="conflict-title"
      title={t("conflict.title")}
      session={session}
      other={
        <button type="button" className="btn btn-quiet" onClick={keepBoth} disabled={create.isPending}>
          {t("conflict.both")}
        </button>
      }
    >
      {rows.length === 0 ? (
        <p className="hint">{t("conflict.same")}</p>
      ) : (
        <table className="table differences">
          <thead>
            <tr>
              <td />
              <th scope="col">{t("conflict.mine")}</th>
              <th scope="col">{t("conflict.theirs", { n: theirs.version })}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ food, mine, theirs }) => (
              <tr key={food}>
                <th scope="row">{format.foodName(foods.get(food), food)}</th>
                <td>{show(mine)}</td>
                <td>{show(theirs)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {create.isError && (
        <p className="note note-reason" role="alert">
          {t("builds.failed")}
        </p>
      )}
    </ConflictChoice>
  );
}

function differences(mine: BuildDocument, theirs: BuildDocument) {
  const foods = new Set([...mine.lines, ...theirs.lines].map((l) => l.food));
  return [...foods]
    .map((food) => ({
      food,
      mine: mine.lines.find((l) => l.food === food),
      theirs: theirs.lines.find((l) => l.food === food),
    }))
    .filter(
      ({ mine: a, theirs: b }) => !a || !b || !sameDocument({ ...mine, lines: [a] }, { ...mine, lines: [b] }),
    );
}
