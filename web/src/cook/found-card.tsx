import { useMutation } from "@tanstack/react-query";
import { useRef, useState } from "react";
import type { Course, CourseTask, Findings } from "../api/client";
import { send } from "../api/send";
import { useTranslation } from "../i18n/use-translation";
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
};

/** Three taps and a photo: how a dish came out. */
export function FoundCard({ course, task, session, onLater }: Props) {
  const { t } = useTranslation();
  const [found, setFound] = useState<Findings>({});
  const file = useRef<HTMLInputElement>(null);
  const photo = useMutation({
    mutationFn: (f: File) => send<{ id: string }>("/api/photos", f, f.type || "application/octet-stream"),
    onSuccess: (p) => setFound((was) => ({ ...was, photo: p.id })),
  });
  const dish = course.dishes[task.dish];
  return (
    <>
      <p className="cook-over">{dish?.name}</p>
      <h1 className="cook-title">{t("cook.found")}</h1>
      <p className="cook-sub">{t("cook.findings.lead")}</p>
      <div className="found-rows">
        {taps.map(([what, choices]) => (
          <div key={what} role="group" aria-labelledby={`found-${what}`}>
            <span id={`found-${what}`}>{t(`cook.findings.${what}`)}</span>
            <span className="found-choices">
              {choices.map((c) => (
                <button
                  key={c}
                  type="button"
                  className="btn btn-word"
                  aria-pressed={found[what] === c}
                  onClick={() => setFound((was) => ({ ...was, [what]: was[what] === c ? undefined : c }))}
                >
                  {t(`cook.findings.${c}`)}
                </button>
              ))}
            </span>
          </div>
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
        <input
          ref={file}
          type="file"
          accept="image/*"
          capture="environment"
          className="visually-hidden"
          tabIndex={-1}
          aria-hidden="true"
          onChange={(e) => {
            const chosen = e.target.files?.[0];
            if (chosen) photo.mutate(chosen);
          }}
        />
        <button
          type="button"
          className="btn btn-straw cook-also"
          disabled={photo.isPending}
          onClick={() => file.current?.click()}
        >
          <Icon name="camera" /> {t(found.photo ? "cook.findings.anotherPhoto" : "cook.findings.photo")}
        </button>
      </div>
      {found.photo && (
        <p className="found-photo">
          <img src={`/api/photos/${found.photo}`} alt={t("cook.findings.photo")} />
          {t("cook.findings.photoKept")}
        </p>
      )}
      {photo.isError && <p role="alert">{t("cook.findings.photoFailed")}</p>}
      <CardActions
        go={{
          label: t("cook.findings.keep"),
          onGo: () => session.act({ kind: "found", dish: task.dish, step: task.step, found }),
        }}
      >
        <Also onDo={onLater}>{t("cook.findings.later")}</Also>
      </CardActions>
    </>
  );
}
