import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useState } from "react";
import { ApiError, type Eaters, type KitchenFirst, server, unwrap } from "../api/client";
import { keepLastKitchen, pagesOf } from "../api/here";
import { useTranslation } from "../i18n/use-translation";
import { Icon } from "../ui/icon";
import { NumberField } from "../ui/number-field";
import { unpackInto, useMakeKitchen, useShelf } from "./queries";

const PeopleDialog = lazy(() =>
  import("../kitchen/people-dialog").then((m) => ({ default: m.PeopleDialog })),
);

const ovens = ["fan-oven", "still-oven", "none"] as const;
const firsts = ["paste", "bowl"] as const;

/** Foods that a cook who leaves egg and breadcrumbs out may have. */
const handy = [
  "oats-rolled",
  "flax-meal",
  "chia-ground",
  "psyllium-husk",
  "chickpea-flour",
  "rice-flour",
  "corn-starch",
  "potato-flakes",
  "almond-flour",
  "tapioca-starch",
  "breadcrumbs-dry",
  "egg",
];

const american = { mass: "oz", temperature: "F", length: "inch" } as const;
const metric = { mass: "g", temperature: "C", length: "mm" } as const;

/** Where measures are ounces, going by the browser. */
const isAmerican = () => /^en-US$|^es-US$/i.test(navigator.language);

/** Whose guidance on heat, and whose money, going by the browser; both can be changed in the kitchen. */
const guessed = (): Pick<KitchenFirst, "guidance" | "currency"> => {
  if (isAmerican()) return { guidance: "us", currency: "USD" };
  if (/-GB$/i.test(navigator.language)) return { guidance: "uk", currency: "GBP" };
  return { guidance: "uk", currency: "EUR" };
};

type Chips<T extends string> = {
  label: string;
  options: readonly T[];
  chosen: T;
  words: (o: T) => string;
  onChoose: (o: T) => void;
};

function Chips<T extends string>({ label, options, chosen, words, onChoose }: Chips<T>) {
  return (
    <div className="toggles" role="radiogroup" aria-label={label}>
      {options.map((o) => (
        <label key={o} className={`btn btn-word ${o === chosen ? "chosen" : ""}`}>
          <input
            type="radio"
            className="visually-hidden"
            name={label}
            checked={o === chosen}
            onChange={() => onChoose(o)}
          />
          {words(o)}
        </label>
      ))}
    </div>
  );
}

/** Half a minute of questions, each of which can be left. */
export function KitchenForm({ another, accounts }: { another: boolean; accounts: boolean }) {
  const { t } = useTranslation();
  const make = useMakeKitchen();
  const [name, setName] = useState(t("door.nameUsual"));
  const [oven, setOven] = useState<(typeof ovens)[number]>("fan-oven");
  const [burners, setBurners] = useState(4);
  const [pans, setPans] = useState(2);
  const [across, setAcross] = useState(26);
  const [cups, setCups] = useState(false);
  const [probe, setProbe] = useState(false);
  const [eaters, setEaters] = useState<Eaters>({ people: [{ count: 2 }] });
  const [have, setHave] = useState<string[]>([]);
  const [units, setUnits] = useState<"metric" | "us">(isAmerican() ? "us" : "metric");
  const [first, setFirst] = useState<(typeof firsts)[number]>("paste");
  const [bringing, setBringing] = useState(false);
  const [failed, setFailed] = useState(false);
  const body = (): KitchenFirst => ({
    name: name.trim() || t("door.nameUsual"),
    oven,
    burners,
    pans,
    pan_diameter_mm: across * 10,
    cups,
    probe,
    eaters,
    have,
    units: units === "us" ? american : metric,
    ...guessed(),
  });
  const bring = async (file: File) => {
    setBringing(true);
    setFailed(false);
    try {
      const made = await unwrap(server.POST("/api/kitchens", { body: body() }));
      await unpackInto(made.id, file);
      keepLastKitchen(made.id);
      location.assign(`${pagesOf(made.id)}/bench`);
    } catch {
      setFailed(true);
      setBringing(false);
    }
  };
  const code = make.error instanceof ApiError ? make.error.problem?.code : undefined;
  const busy = make.isPending || bringing;
  const Title = another ? "h2" : "h1";
  return (
    <form
      className="door-form"
      aria-labelledby="form-title"
      onSubmit={(e) => {
        e.preventDefault();
        make.mutate(body(), {
          onSuccess: (k) => {
            keepLastKitchen(k.id);
            location.assign(`${pagesOf(k.id)}/bench?first=${first}`);
          },
        });
      }}
    >
      <Title id="form-title">{t(another ? "door.another" : "door.title")}</Title>
      <p className="hint">{t("door.lead")}</p>
      <Row label={t("door.name")} htmlFor="kitchen-name">
        <input
          id="kitchen-name"
          className="form-control door-name"
          maxLength={60}
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
      </Row>
      <Row label={t("door.oven")}>
        <Chips
          label={t("door.oven")}
          options={ovens}
          chosen={oven}
          words={(o) => t(`door.ovens.${o}`)}
          onChoose={setOven}
        />
      </Row>
      <Row label={t("door.stove")}>
        <div className="door-numbers">
          <Count label={t("door.burners")} value={burners} min={0} max={12} onChange={setBurners} />
          <Count label={t("door.pans")} value={pans} min={0} max={12} onChange={setPans} />
          <Count label={t("door.panSize")} value={across} min={8} max={100} unit="cm" onChange={setAcross} />
        </div>
      </Row>
      <Row label={t("door.weighing")}>
        <Chips
          label={t("door.weighing")}
          options={["scale", "cups"] as const}
          chosen={cups ? "cups" : "scale"}
          words={(o) => t(`door.${o}`)}
          onChoose={(o) => setCups(o === "cups")}
        />
        <Toggle pressed={probe} onPress={() => setProbe(!probe)} words={t("door.probe")} />
      </Row>
      <Row label={t("door.measures")}>
        <Chips
          label={t("door.measures")}
          options={["metric", "us"] as const}
          chosen={units}
          words={(o) => t(`door.measuresAs.${o}`)}
          onChoose={setUnits}
        />
      </Row>
      <Row label={t("door.eaters")}>
        <Who eaters={eaters} onChange={setEaters} />
      </Row>
      <Row label={t("door.atHand")}>
        <AtHand have={have} onChange={setHave} />
      </Row>
      <Row label={t("door.first")}>
        <Chips
          label={t("door.first")}
          options={firsts}
          chosen={first}
          words={(o) => t(`door.firsts.${o}`)}
          onChoose={setFirst}
        />
      </Row>
      {(make.isError || failed) && (
        <p role="alert">
          {code === "kitchen-name"
            ? t("door.badName")
            : code === "too-many-kitchens"
              ? t("door.tooMany")
              : t("door.failed")}
        </p>
      )}
      <div className="door-actions">
        <button type="submit" className="btn btn-primary" disabled={busy}>
          {busy ? t("door.opening") : t("door.open")}
        </button>
        <label className={`btn btn-straw ${busy ? "disabled" : ""}`}>
          {t("door.bring")}
          <input
            type="file"
            className="visually-hidden"
            accept=".zip,application/zip"
            disabled={busy}
            onChange={(e) => {
              const file = e.target.files?.[0];
              e.target.value = "";
              if (file) void bring(file);
            }}
          />
        </label>
      </div>
      <p className="hint small">{t(accounts ? "door.staysAccounts" : "door.stays")}</p>
    </form>
  );
}

function Row({ label, htmlFor, children }: { label: string; htmlFor?: string; children: React.ReactNode }) {
  return (
    <div className="door-row">
      {htmlFor ? (
        <label className="door-label" htmlFor={htmlFor}>
          {label}
        </label>
      ) : (
        <span className="door-label">{label}</span>
      )}
      <div className="door-answer">{children}</div>
    </div>
  );
}

type CountProps = {
  label: string;
  value: number;
  min: number;
  max: number;
  unit?: string;
  onChange: (n: number) => void;
};

function Count({ label, onChange, ...props }: CountProps) {
  return (
    <label className="door-count">
      <NumberField label={label} digits={0} onChange={(n) => onChange(Math.round(n))} {...props} />
      <span>{label}</span>
    </label>
  );
}

function Toggle({ pressed, words, onPress }: { pressed: boolean; words: string; onPress: () => void }) {
  return (
    <button type="button" className="btn btn-word" aria-pressed={pressed} onClick={onPress}>
      {words}
    </button>
  );
}

function Who({ eaters, onChange }: { eaters: Eaters; onChange: (e: Eaters) => void }) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const vocabulary = useQuery({
    queryKey: ["vocabulary"],
    queryFn: ({ signal }) => unwrap(server.GET("/api/vocabulary", { signal })),
    staleTime: Infinity,
  });
  const people = eaters.people ?? [];
  const all = people.find((p) => !p.avoid?.length && !p.diet && !p.wants?.length);
  const others = people.filter((p) => p !== all);
  const setAll = (count: number) =>
    onChange({ ...eaters, people: [...(count > 0 ? [{ ...all, count }] : []), ...others] });
  return (
    <>
      <label className="door-count">
        <NumberField
          label={t("door.eatAll")}
          min={0}
          max={200}
          digits={0}
          value={all?.count ?? 0}
          onChange={(n) => setAll(Math.round(n))}
        />
        <span>{t("door.eatAllWords", { count: all?.count ?? 0 })}</span>
      </label>
      {others.map((p, i) => (
        <span key={i} className="btn btn-word chosen door-person">
          {[
            p.name || `${p.count}`,
            [
              ...(p.avoid ?? []).map((a) => t(`eaters.allergen.${a}`)),
              ...(p.wants ?? []).map((w) => t(`eaters.wants.${w}`)),
              ...(p.diet ? [t(`eaters.diets.${p.diet}`)] : []),
            ].join(", "),
          ].join(" · ")}
        </span>
      ))}
      <button
        type="button"
        className="btn btn-quiet btn-sm"
        disabled={!vocabulary.data}
        onClick={() => {
          if (others.length === 0) onChange({ ...eaters, people: [...people, { count: 1 }] });
          setOpen(true);
        }}
      >
        <Icon name="plus" /> {t("door.somebody")}
      </button>
      {open && vocabulary.data && (
        <Suspense>
          <PeopleDialog
            eaters={eaters}
            vocabulary={vocabulary.data}
            onChange={onChange}
            onClose={() => setOpen(false)}
          />
        </Suspense>
      )}
    </>
  );
}

function AtHand({ have, onChange }: { have: string[]; onChange: (have: string[]) => void }) {
  const { t, i18n } = useTranslation();
  const shelf = useShelf();
  const foods = handy.flatMap((id) => shelf.data?.find((f) => f.id === id) ?? []);
  return (
    <>
      <div className="toggles" role="group" aria-label={t("door.atHand")}>
        {foods.map((f) => (
          <Toggle
            key={f.id}
            words={(i18n.language === "es" ? f.name_es : f.name).toLowerCase()}
            pressed={have.includes(f.id)}
            onPress={() => onChange(have.includes(f.id) ? have.filter((id) => id !== f.id) : [...have, f.id])}
          />
        ))}
      </div>
      <p className="hint small">{t("door.atHandWhy")}</p>
    </>
  );
}
