import { useDeferredValue, useState } from "react";
import Modal from "react-bootstrap/Modal";
import { api, type SupperDish, type SupperStep, unwrap } from "../api/client";
import { useBuilds } from "../editing/queries";
import { coded, useTranslation } from "../i18n/use-translation";
import { Actions, Dialog } from "../ui/dialog";
import { useSides } from "./queries";
import { SideFoods } from "./side-foods";
import { SideText } from "./side-text";

type Props = { people: number; onAdd: (dish: SupperDish) => void; onClose: () => void };

const kinds = ["build", "side", "own"] as const;

/** A dish for the supper: a build, a usual side, or one in the cook's own words. */
export default function AddDialog({ people, onAdd, onClose }: Props) {
  const { t, i18n } = useTranslation();
  const [kind, setKind] = useState<(typeof kinds)[number]>("build");
  const [text, setText] = useState("");
  const search = useDeferredValue(text.trim());
  const builds = useBuilds(search);
  const sides = useSides(Math.max(1, people), i18n.language);
  const [name, setName] = useState("");
  const [steps, setSteps] = useState<SupperStep[]>([]);
  const [own, setOwn] = useState("");
  const [foods, setFoods] = useState<NonNullable<SupperDish["foods"]>>([]);
  const [touched, setTouched] = useState(false);
  const [failed, setFailed] = useState(false);

  function add(dish: SupperDish) {
    onAdd(dish);
    onClose();
  }

  async function addBuild(id: string) {
    try {
      const build = await unwrap(api.GET("/builds/{id}", { params: { path: { id } } }));
      add({
        name: build.document.name || t("builds.untitled"),
        build: build.document,
        from: { build: id, version: build.version },
      });
    } catch {
      setFailed(true);
    }
  }

  return (
    <Dialog id="add-dish-title" title={t("supper.addDish")} size="lg" onClose={onClose}>
      <Modal.Body className="add-dish">
        <div className="toggles" role="group" aria-label={t("supper.kindOf")}>
          {kinds.map((k) => (
            <button
              key={k}
              type="button"
              className="btn btn-word"
              aria-pressed={k === kind}
              onClick={() => setKind(k)}
            >
              {t(`supper.kind.${k}`)}
            </button>
          ))}
        </div>
        {(failed || builds.isError || sides.isError) && (
          <p className="note note-reason" role="alert">
            {t("builds.failed")}{" "}
            <button
              type="button"
              className="btn btn-link"
              onClick={() => {
                setFailed(false);
                void builds.refetch();
                void sides.refetch();
              }}
            >
              {t("app.retry")}
            </button>
          </p>
        )}
        {kind === "build" && (
          <>
            <input
              type="search"
              className="form-control"
              aria-label={t("builds.search")}
              placeholder={t("builds.search")}
              maxLength={200}
              value={text}
              onChange={(e) => setText(e.target.value)}
            />
            {builds.data?.length === 0 && (
              <p className="hint">{search ? t("builds.none", { text: search }) : t("builds.empty")}</p>
            )}
            <ul className="pick">
              {builds.data?.map((b) => (
                <li key={b.id}>
                  <button type="button" onClick={() => void addBuild(b.id)}>
                    <span>{b.name || t("builds.untitled")}</span>
                    <small className={`verdict-${b.verdict}`}>{t(`verdict.${b.says}`)}</small>
                  </button>
                </li>
              ))}
            </ul>
          </>
        )}
        {kind === "side" && (
          <>
            <p className="hint">{t("supper.sidesFor", { count: Math.max(1, people) })}</p>
            <ul className="pick">
              {sides.data?.map((s) => (
                <li key={s.code}>
                  <button
                    type="button"
                    onClick={() =>
                      add({
                        name: t(coded("supper.side", s.code)),
                        side: s.code,
                        steps: s.steps,
                        foods: s.foods,
                      })
                    }
                  >
                    <span>{t(coded("supper.side", s.code))}</span>
                    <small>
                      {s.text}
                      {s.worked_step && ` · ${t("supper.worked", { mm: s.size_mm })}`}
                    </small>
                  </button>
                </li>
              ))}
            </ul>
          </>
        )}
        {kind === "own" && (
          <>
            <input
              className="form-control"
              aria-label={t("supper.dishName")}
              placeholder={t("supper.dishName")}
              maxLength={200}
              value={name}
              onChange={(e) => setName(e.target.value.replace(/\p{Cc}/gu, " "))}
            />
            <SideText
              text=""
              label={t("supper.stepsInWords")}
              people={people}
              name={name}
              onRead={(words, read, named) => {
                setSteps(read);
                setOwn(words);
                // The name tells of what is in it, too.
                setFoods((was) => (touched ? was : named));
              }}
            />
            {steps.length > 0 && (
              <SideFoods
                foods={foods}
                people={people}
                onChange={(next) => {
                  setTouched(true);
                  setFoods(next);
                }}
              />
            )}
            <p className="hint">{t("supper.sideHint")}</p>
          </>
        )}
      </Modal.Body>
      {kind === "own" && (
        <Actions
          onCancel={onClose}
          act={t("supper.add")}
          ready={steps.length > 0 && name.trim() !== ""}
          onAct={() => add({ name: name.trim(), steps, text: own, foods })}
        />
      )}
    </Dialog>
  );
}
