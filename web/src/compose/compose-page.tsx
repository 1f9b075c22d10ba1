import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import {
  api,
  ApiError,
  type Ask,
  type Build,
  etag,
  type Foods,
  type Proposal,
  unwrap,
  type Vocabulary,
} from "../api/client";
import { useCreateBuild, useFoods, useVocabulary } from "../editing/queries";
import { usePantry } from "../kitchen/pantry";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { Spoken } from "../ui/spoken";
import { Trouble } from "../ui/trouble";
import { useSettled } from "../ui/use-settled";
import { addDish } from "../supper/edits";
import { AskSide } from "./ask-side";
import { type Asked, firstAsk } from "./asked";
import { askedBy } from "./link";
import { Beforehand, commonBefore } from "./beforehand";
import { plainName } from "./plain-name";
import { ProposalRow } from "./proposal-row";

/** /compose: whole builds that hold, from what has to go in and what may. */
export default function ComposePage() {
  const { t } = useTranslation();
  const foods = useFoods();
  const vocabulary = useVocabulary();
  const pantry = usePantry();
  if (foods.isError || vocabulary.isError || pantry.isError) {
    return (
      <Trouble
        words={t("compose.failed")}
        onRetry={() => {
          void foods.refetch();
          void vocabulary.refetch();
          void pantry.refetch();
        }}
      />
    );
  }
  if (!foods.data || !vocabulary.data || !pantry.data) {
    return <main className="compose" aria-busy="true" aria-label={t("app.loading")} />;
  }
  const have = [...pantry.data.values()].filter((i) => i.have && foods.data.has(i.food)).map((i) => i.food);
  return <Compose foods={foods.data} vocabulary={vocabulary.data} have={have} />;
}

type Props = { foods: Foods; vocabulary: Vocabulary; have: string[] };

function Compose({ foods, vocabulary, have }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const navigate = useNavigate();
  const create = useCreateBuild();
  const [query] = useSearchParams();
  const supper = query.get("supper");
  const [asked, setAsked] = useState<Asked>(() =>
    askedBy(query, firstAsk(have.length === 0), {
      food: (id) => foods.has(id),
      avoid: vocabulary.allergens,
      diets: vocabulary.diets,
      wants: vocabulary.wants,
    }),
  );
  const [not, setNot] = useState<string[]>([]);
  const settled = useSettled(asked, 150);
  const ask: Ask = {
    format: "cuerda-ask/1",
    must: settled.must.map((m) => ({ food: m.food, grams: m.grams })),
    may: [...new Set([...have, ...settled.extra])].filter((id) => !settled.without.includes(id)),
    any: settled.any,
    not: [...new Set([...not, ...settled.without])],
    eaters: {
      avoid: settled.avoid,
      wants: settled.wants,
      ...(settled.diet ? { diet: settled.diet } : {}),
    } as Ask["eaters"],
    ...(settled.kind ? { kind: settled.kind } : {}),
    portions: settled.portions,
    minutes: settled.minutes,
    lean: { firm: settled.firm, eat: settled.eat },
  };
  const found = useQuery({
    queryKey: ["compose", ask],
    queryFn: ({ signal }) => unwrap(api.POST("/compose", { body: ask, signal })),
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 60_000,
  });
  const problem = found.error instanceof ApiError ? found.error.problem : undefined;
  const proposals = found.isError ? [] : (found.data?.proposals ?? []);
  const before = commonBefore(proposals);
  const lessSure = proposals.filter((p) => p.less_sure).length;
  const heading =
    proposals.length > 0
      ? t(
          found.data?.late
            ? "compose.late"
            : found.data?.nearest
              ? settled.minutes
                ? "compose.nearInTime"
                : "compose.near"
              : lessSure > 0
                ? "compose.foundAndNear"
                : "compose.found",
          { count: proposals.length - lessSure, near: lessSure },
        )
      : "";
  const nameOf = useNameOf(foods);
  const open = (p: Proposal) =>
    create.mutate(
      { ...p.document, name: nameOf(p) },
      {
        onSuccess: (b) => {
          if (supper) toSupper.mutate(b);
          else void navigate(`/bench/${b.id}`);
        },
      },
    );
  const toSupper = useMutation({
    mutationFn: (b: Build) => putDish(supper ?? "", b),
    onSuccess: () => navigate(`/supper/${supper}`),
  });
  const bindersOf = (p: Proposal) =>
    p.document.lines
      .map((l) => l.food)
      .filter((id) => foods.get(id)?.binder && !asked.must.some((m) => m.food === id));
  return (
    <main className="compose" id="bench">
      <AskSide
        asked={asked}
        foods={foods}
        vocabulary={vocabulary}
        have={[...new Set([...have, ...asked.extra])]}
        onAsk={(next) => {
          setNot([]);
          setAsked(next);
        }}
      />
      <section id="compose-found" className="compose-found" aria-busy={found.isFetching}>
        <Spoken words={heading} />
        <header>
          <h2>{heading || t("compose.title")}</h2>
          {proposals.length > 0 && found.data && (
            <p className="hint">{t("compose.looked", { n: format.number(found.data.looked_at) })}</p>
          )}
        </header>
        {found.isError && (
          <p className="note note-reason" role="alert">
            {problem
              ? t(coded("compose.fault", problem.code ?? "other"), {
                  food: nameOfFood(foods, format, problem.detail),
                  defaultValue: t("compose.fault.other"),
                })
              : t("compose.failed")}
          </p>
        )}
        {!found.isError && found.data && proposals.length === 0 && <p>{t("compose.none")}</p>}
        {toSupper.isError && (
          <p className="note note-reason" role="alert">
            {t("compose.notInto")}
          </p>
        )}
        <Beforehand dry={before} foods={foods} />
        <ol className="proposals">
          {proposals.map((p) => (
            <ProposalRow
              key={JSON.stringify(p.document.lines)}
              proposal={p}
              name={nameOf(p)}
              foods={foods}
              busy={create.isPending || toSupper.isPending}
              into={supper ? "supper" : "bench"}
              beforeIsTold={before.length > 0}
              onOpen={() => open(p)}
              onAnother={() => {
                const base = p.document.lines[0];
                setNot([...not, ...bindersOf(p)]);
                if (base && !asked.must.some((m) => m.food === base.food))
                  setAsked({ ...asked, must: [...asked.must, { food: base.food, grams: 0 }] });
              }}
            />
          ))}
        </ol>
        {create.isError && (
          <p className="note note-reason" role="alert">
            {t("compose.failed")}
          </p>
        )}
        <div className="compose-on">
          {proposals.length > 0 && (
            <button
              type="button"
              className="btn btn-quiet"
              onClick={() => setNot([...not, ...proposals.flatMap(bindersOf)])}
            >
              {t("compose.others")}
            </button>
          )}
          {not.length > 0 && (
            <button type="button" className="btn btn-quiet" onClick={() => setNot([])}>
              {t("compose.all")}
            </button>
          )}
        </div>
        {!found.isError && (found.data?.missing.length ?? 0) > 0 && (
          <div className="compose-missing">
            <p>{t("compose.missing")}</p>
            <ul>
              {found.data?.missing.map((m) => (
                <li key={m.food}>
                  <button
                    type="button"
                    className="btn btn-word"
                    onClick={() =>
                      setAsked({ ...asked, must: [...asked.must, { food: m.food, grams: m.grams }] })
                    }
                  >
                    {t("compose.missingOne", {
                      count: m.mixes,
                      grams: format.grams(m.grams),
                      food: format.foodName(foods.get(m.food), m.food),
                    })}
                  </button>
                </li>
              ))}
            </ul>
          </div>
        )}
        <p className="hint">{t("compose.caution")}</p>
      </section>
    </main>
  );
}

const nameOfFood = (foods: Foods, format: ReturnType<typeof useFormat>, detail: string | undefined) => {
  const id = detail?.split(" ").at(-1)?.replace(/\.$/, "") ?? "";
  return format.foodName(foods.get(id), id);
};

/** Makes a build a dish of a supper, on whatever version that has come to. */
async function putDish(supper: string, build: Build) {
  const path = { id: supper };
  const kept = await unwrap(api.GET("/suppers/{id}", { params: { path } }));
  const dish = {
    name: build.document.name ?? "",
    build: build.document,
    from: { build: build.id, version: build.version },
  };
  return unwrap(
    api.PUT("/suppers/{id}", {
      params: { path, header: { "If-Match": etag(kept.version) } },
      body: addDish(dish)(kept.document),
    }),
  );
}

/** The first words of a food's name: "Lentils" of "Lentils, cooked". */
function useNameOf(foods: Foods) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  return (p: Proposal) => {
    const plain = (id: string) => plainName(foods, format, id);
    const [first] = p.document.lines;
    const binder = p.document.lines.find((l) => foods.get(l.food)?.binder);
    const kind = (p.document.piece?.kind ?? "patty") as "patty";
    const main = first ? plain(first.food) : "";
    const name = t(`compose.name.${kind}`, { food: main.toLocaleLowerCase(i18n.language) });
    return binder ? t("compose.with", { name, food: plain(binder.food).toLowerCase() }) : name;
  };
}
