import { kitchenApi } from "../api/here";
import { useState } from "react";
import type { Course, CourseDish, CourseTask, Findings } from "../api/client";
import { useKeepPhoto } from "../files/queries";
import { useTranslation } from "../i18n/use-translation";
import { Choose } from "../tries/choose";
import { useFilePick } from "../ui/file-pick";
import { Icon } from "../ui/icon";
import { Also, CardActions } from "./card-actions";
import type { CourseSession } from "./session";

const taps = [
  ["shaped", ["easy", "sticky", "crumbly"]],
  ["hold", ["held", "some-broke", "fell-apart"]],
  ["bite", ["dry", "right", "wet"]],
] as const;

type Props = {
  course: Course;
  task: CourseTask;
  session: CourseSession;
  onLater: () => void;
  /** Something was said, which stays though another cook says it too. */
  onTouched: () => void;
  onKept: () => void;
};

/** What cooks have said of a dish, each in their own words. */
export function FoundBy({ found }: { found: CourseDish["found"] }) {
  const { t } = useTranslation();
  return (
    <>
      {found.map((f, i) => (
        <span key={f.at} className="found-by">
          {i > 0 && " "}
          {t("cook.findings.saidBy", {
            by: f.by || t("cook.findings.somebody"),
            what: [
              ...taps.flatMap(([what]) => {
                const said = f[what];
                return said ? [t(`cook.findings.${said}`)] : [];
              }),
              ...(f.note ? [`“${f.note}”`] : []),
              ...(f.photo ? [t("cook.findings.photo")] : []),
            ].join(", "),
          })}
        </span>
      ))}
    </>
  );
}

/** Three taps and a photo: how a dish came out. */
export function FoundCard({ course, task, session, onLater, onTouched, onKept }: Props) {
  const { t } = useTranslation();
  const [found, setFound0] = useState<Findings>({});
  const setFound = (next: (was: Findings) => Findings) => {
    onTouched();
    setFound0(next);
  };
  const photo = useKeepPhoto((id) => setFound((was) => ({ ...was, photo: id })));
  const file = useFilePick({ accept: "image/*", camera: true, onFile: (f) => photo.mutate(f) });
  const dish = course.dishes[task.dish];
  return (
    <>
      <p className="cook-over">{dish?.name}</p>
      <h1 className="cook-title">{t("cook.found")}</h1>
      {dish && dish.found.length > 0 ? (
        <p className="cook-sub" role="status">
          <FoundBy found={dish.found} /> {t("cook.findings.alsoYours")}
        </p>
      ) : (
        <p className="cook-sub">{t("cook.findings.lead")}</p>
      )}
      <div className="found-rows">
        {taps.map(([what, choices]) => (
          <Choose
            key={what}
            label={t(`cook.findings.${what}`)}
            choices={choices}
            value={found[what] as (typeof choices)[number] | undefined}
            words={(c) => t(`cook.findings.${c}`)}
            onChoose={(c) => setFound((was) => ({ ...was, [what]: c }))}
          />
        ))}
      </div>
      <div className="found-more">
        <input
          className="form-control"
          placeholder={t("cook.findings.note")}
          aria-label={t("cook.findings.note")}
          maxLength={500}
          value={found.note ?? ""}
          onChange={(e) => setFound((was) => ({ ...was, note: e.target.value }))}
        />
        {file.hidden}
        <button
          type="button"
          className="btn btn-straw cook-also"
          disabled={photo.isPending}
          onClick={file.pick}
        >
          <Icon name="camera" /> {t(found.photo ? "cook.findings.anotherPhoto" : "cook.findings.photo")}
        </button>
      </div>
      {found.photo && (
        <p className="found-photo">
          <img src={`${kitchenApi}/photos/${found.photo}`} alt={t("cook.findings.photo")} />
          {t("cook.findings.photoKept")}
        </p>
      )}
      {photo.isError && <p role="alert">{t("cook.findings.photoFailed")}</p>}
      <CardActions
        go={{
          label: t(dish && dish.found.length > 0 ? "cook.findings.addMine" : "cook.findings.keep"),
          onGo: () => {
            session.act({ kind: "found", dish: task.dish, step: task.step, found });
            onKept();
          },
        }}
      >
        <Also onDo={onLater}>{t("cook.findings.later")}</Also>
      </CardActions>
    </>
  );
}
