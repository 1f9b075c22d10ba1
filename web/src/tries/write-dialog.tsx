import { kitchenApi } from "../api/here";
import { useQuery } from "@tanstack/react-query";
import { useId, useState } from "react";
import Modal from "react-bootstrap/Modal";
import { api, ApiError, type Build, type Found, type KeptTry, unwrap } from "../api/client";
import { squeezeWords } from "../build/squeeze-words";
import { useKeepPhoto } from "../files/queries";
import { useBuilds, useFoods } from "../editing/queries";
import { coded, useTranslation } from "../i18n/use-translation";
import { Actions, Dialog } from "../ui/dialog";
import { useFilePick } from "../ui/file-pick";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { NumberField } from "../ui/number-field";
import { useDay } from "./day";
import { Choose } from "./choose";
import { useKeepTry } from "./queries";

type Props = {
  /** The build it is of, where that is known. */
  build?: Pick<Build, "id" | "version" | "document">;
  /** A try whose words are changed. */
  of?: KeptTry;
  onClose: () => void;
  onKept?: (id: string) => void;
};

const mostPhotos = 6;
const breaks = ["shaping", "turning", "lifting", "cutting"] as const;
type Number =
  | "off_at_minutes"
  | "turned_at_minutes"
  | "core_celsius"
  | "oven_celsius"
  | "before_g"
  | "after_g"
  | "room_celsius"
  | "fridge_celsius";
const measures: [Number, string, string, number][] = [
  ["off_at_minutes", "off", "min", 2880],
  ["turned_at_minutes", "turned", "min", 2880],
  ["core_celsius", "core", "°C", 300],
  ["oven_celsius", "oven", "°C", 300],
  ["before_g", "before", "g", 100000],
  ["after_g", "after", "g", 100000],
  ["room_celsius", "room", "°C", 50],
  ["fridge_celsius", "fridge", "°C", 25],
];

/** A try written down: ten seconds are enough, and there is room for more. */
export function WriteDialog({ build: given, of, onClose, onKept }: Props) {
  const { t } = useTranslation();
  const day = useDay();
  const [chosen, setChosen] = useState(of?.build ?? given?.id ?? "");
  const builds = useBuilds("", !of && !given);
  const fetched = useQuery({
    queryKey: ["build", chosen, "to-write"],
    queryFn: ({ signal }) => unwrap(api.GET("/builds/{id}", { params: { path: { id: chosen } }, signal })),
    enabled: !of && !given && chosen !== "",
  });
  const build = given ?? fetched.data;
  const [when, setWhen] = useState(day.field(of?.cooked_at ?? new Date().toISOString()));
  const [found, setFound] = useState<Found>(of?.found ?? {});
  const [lines, setLines] = useState<Record<number, number>>({});
  const [rest, setRest] = useState<number>();
  const keep = useKeepTry(of);
  const id = useId();
  const set = (patch: Partial<Found>) => setFound((was) => ({ ...was, ...patch }));
  const document = of?.document ?? build?.document;
  const broke = found.broke ?? {};
  const all = breaks.reduce((sum, b) => sum + (broke[b] ?? 0), 0);
  const tooMany = Boolean(found.pieces) && all > (found.pieces ?? 0);

  const save = () => {
    if (!document) return;
    const really = {
      ...document,
      lines: document.lines.map((l, i) => ({ ...l, grams: lines[i] ?? l.grams })).filter((l) => l.grams > 0),
      ...(rest === undefined ? {} : { rest: { ...document.rest, minutes: rest } }),
    };
    keep.mutate(
      {
        build: of?.build ?? build?.id,
        version: of?.version ?? build?.version,
        document: really,
        cooked_at:
          of && day.field(of.cooked_at) === when ? of.cooked_at : new Date(`${when}T18:00`).toISOString(),
        found,
        patties: of?.patties,
        left_out: of?.left_out,
      },
      {
        onSuccess: (kept) => {
          onKept?.(kept.id);
          onClose();
        },
      },
    );
  };
  const problem = keep.error instanceof ApiError ? keep.error : undefined;
  return (
    <Dialog id={id} title={t(of ? "logbook.form.edit" : "logbook.form.title")} size="lg" onClose={onClose}>
      <Modal.Body className="write-try">
        {!of && !given && (
          <label className="write-what">
            {t("logbook.form.what")}
            <select className="form-select" value={chosen} onChange={(e) => setChosen(e.target.value)}>
              <option value="">{t("logbook.form.which")}</option>
              {(builds.data ?? []).map((b) => (
                <option key={b.id} value={b.id}>
                  {b.name || t("builds.untitled")}
                </option>
              ))}
            </select>
          </label>
        )}
        {document && (of || given) && <p className="write-name">{document.name || t("builds.untitled")}</p>}
        <label className="write-when">
          {t("logbook.form.when")}
          <input
            type="date"
            className="form-control"
            value={when}
            max={day.field(new Date().toISOString())}
            onChange={(e) => e.target.value && setWhen(e.target.value)}
          />
        </label>
        <Choose
          label={t("logbook.form.hold")}
          choices={["held", "some-broke", "fell-apart"]}
          value={found.hold}
          words={(c) => t(coded("logbook.outcome", c))}
          onChoose={(hold) => set({ hold })}
        />
        <Choose
          label={t("logbook.form.squeeze")}
          choices={squeezeWords}
          value={found.squeeze}
          words={(c) => t(`squeeze.${c}`)}
          onChoose={(squeeze) => set({ squeeze })}
        />
        <label className="write-note">
          {t("logbook.form.note")}
          <textarea
            className="form-control"
            rows={2}
            maxLength={8000}
            value={found.note ?? ""}
            onChange={(e) => set({ note: e.target.value || undefined })}
          />
        </label>
        <Photos found={found} onChange={(photos) => set({ photos, photo: undefined })} />
        <p className="hint">{t("logbook.form.optional")}</p>
        <details open={all > 0}>
          <summary>{t("logbook.form.counted")}</summary>
          <div className="write-numbers">
            <Field
              label={t("logbook.form.made")}
              value={found.pieces}
              max={500}
              onChange={(n) => set({ pieces: n })}
            />
            {breaks.map((b) => (
              <Field
                key={b}
                label={t(`logbook.form.${b}`)}
                value={found.broke?.[b]}
                max={500}
                onChange={(n) => set({ broke: { ...found.broke, [b]: n } })}
              />
            ))}
          </div>
          {tooMany && (
            <p className="note note-reason" role="alert">
              {t("logbook.form.tooMany")}
            </p>
          )}
        </details>
        <details open={measures.some(([m]) => found[m] !== undefined)}>
          <summary>{t("logbook.form.measured")}</summary>
          <div className="write-numbers">
            {measures.map(([m, words, unit, max]) => (
              <Field
                key={m}
                label={t(coded("logbook.form", words))}
                unit={unit}
                value={found[m]}
                max={max}
                onChange={(n) => set({ [m]: n })}
              />
            ))}
          </div>
        </details>
        <details>
          <summary>{t("logbook.form.eaten")}</summary>
          <Choose
            label={t("logbook.form.bite")}
            choices={["dry", "right", "wet"]}
            value={found.bite}
            words={(c) => t(`cook.findings.${c}`)}
            onChoose={(bite) => set({ bite })}
          />
          <Choose
            label={t("logbook.form.texture")}
            choices={["-2", "-1", "0", "1", "2"]}
            value={found.texture === undefined ? undefined : (String(found.texture) as "0")}
            words={(c) => t(coded("logbook.form.textures", c))}
            onChoose={(c) => set({ texture: c === undefined ? undefined : globalThis.Number(c) })}
          />
          <Choose
            label={t("logbook.form.browning")}
            choices={["pale", "golden", "brown", "dark"]}
            value={found.browning}
            words={(c) => t(`logbook.form.brown.${c}`)}
            onChoose={(browning) => set({ browning })}
          />
          <Likings document={document} found={found} onChange={(likings) => set({ likings })} />
        </details>
        {document && !of?.patties && (
          <Really document={document} lines={lines} onLines={setLines} rest={rest} onRest={setRest} />
        )}
        {keep.isError && (
          <p className="note note-reason" role="alert">
            {problem?.status === 412
              ? t("logbook.form.elsewhere")
              : t("logbook.form.failed", { why: problem?.problem?.detail ?? t("problem.unavailable") })}
          </p>
        )}
      </Modal.Body>
      <Actions
        onCancel={onClose}
        act={t(keep.isPending ? "logbook.form.saving" : "logbook.form.keep")}
        ready={Boolean(document) && !keep.isPending && !tooMany}
        onAct={save}
      />
    </Dialog>
  );
}

type FieldProps = {
  label: string;
  unit?: string;
  value: number | undefined;
  max: number;
  onChange: (n: number) => void;
};

function Field({ label, unit, value, max, onChange }: FieldProps) {
  return (
    <span className="write-field">
      <span aria-hidden="true">{label}</span>
      <NumberField
        label={label}
        value={value ?? 0}
        empty={value === undefined}
        min={0}
        max={max}
        unit={unit}
        onChange={onChange}
      />
    </span>
  );
}

/** Photos, up to six: the newest last. */
function Photos({ found, onChange }: { found: Found; onChange: (ids: string[]) => void }) {
  const { t } = useTranslation();
  const all = [...(found.photos ?? []), ...(found.photo ? [found.photo] : [])];
  const photo = useKeepPhoto((id) => onChange([...all, id]));
  const file = useFilePick({ accept: "image/*", onFile: (f) => photo.mutate(f) });
  return (
    <div className="write-photos">
      {all.map((p, i) => (
        <span key={p}>
          <img src={`${kitchenApi}/photos/${p}`} alt={t("logbook.photoOf", { n: i + 1, of: all.length })} />
          <button
            type="button"
            className="btn btn-icon"
            aria-label={t("logbook.form.removePhoto", { n: i + 1 })}
            onClick={() => onChange(all.filter((other) => other !== p))}
          >
            <Icon name="x" />
          </button>
        </span>
      ))}
      {file.hidden}
      {all.length < mostPhotos && (
        <button type="button" className="btn btn-quiet" disabled={photo.isPending} onClick={file.pick}>
          <Icon name="camera" /> {t("logbook.form.addPhoto")}
        </button>
      )}
      {photo.isError && (
        <p className="note note-reason" role="alert">
          {t("logbook.form.photoFailed")}
        </p>
      )}
    </div>
  );
}

type LikingsProps = {
  document: Build["document"] | undefined;
  found: Found;
  onChange: (likings: Found["likings"]) => void;
};

/** How those at the table liked it, 1 to 5. */
function Likings({ document, found, onChange }: LikingsProps) {
  const { t } = useTranslation();
  const people = (document?.eaters?.people ?? []).map((p) => p.name ?? "").filter((n) => n !== "");
  const names = people.length > 0 ? people : [t("logbook.form.someone")];
  const all = found.likings ?? [];
  return names.map((name) => (
    <Choose
      key={name}
      label={t("logbook.form.liking", { eater: name })}
      choices={["1", "2", "3", "4", "5"]}
      value={String(all.find((l) => l.eater === name)?.liking ?? "") as "1"}
      words={(c) => c}
      onChoose={(c) => {
        const others = all.filter((l) => l.eater !== name);
        onChange(c === undefined ? others : [...others, { eater: name, liking: globalThis.Number(c) }]);
      }}
    />
  ));
}

type ReallyProps = {
  document: Build["document"];
  lines: Record<number, number>;
  onLines: (lines: Record<number, number>) => void;
  rest: number | undefined;
  onRest: (minutes: number) => void;
};

/** What was really put in. */
function Really({ document, lines, onLines, rest, onRest }: ReallyProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const foods = useFoods().data;
  if (!foods) return null;
  return (
    <details>
      <summary>{t("logbook.form.really")}</summary>
      <p className="hint">{t("logbook.form.reallyHint")}</p>
      <div className="write-numbers">
        {document.lines.map((l, i) => (
          <Field
            key={i}
            label={format.lineName(l, foods)}
            unit="g"
            value={lines[i] ?? l.grams}
            max={100000}
            onChange={(g) => onLines({ ...lines, [i]: g })}
          />
        ))}
        <Field
          label={t("logbook.form.rest")}
          unit="min"
          value={rest ?? document.rest?.minutes ?? 0}
          max={2880}
          onChange={onRest}
        />
      </div>
    </details>
  );
}
