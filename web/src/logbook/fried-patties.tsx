import { useQuery } from "@tanstack/react-query";
import { api, type Foods, type KeptTry, unwrap } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { PattyOptions, useOptionWords } from "../tries/patty-options";

/** What test patties were asked, and what they told. */
export function FriedPatties({ of, foods }: { of: KeptTry; foods: Foods }) {
  const kept = of.patties;
  const answer = useQuery({
    queryKey: ["try", of.id, "patties"],
    queryFn: ({ signal }) =>
      unwrap(
        api.POST("/patties", {
          body: { document: of.document, question: kept?.question ?? {}, fried: kept?.fried ?? [] },
          signal,
        }),
      ),
    enabled: kept !== undefined,
  });
  if (!kept || !answer.data) return null;
  return (
    <section className="try-patties">
      <Told of={answer.data} kept={kept} foods={foods} />
      <PattyOptions question={kept.question} answer={answer.data} fried={kept.fried} foods={foods} />
    </section>
  );
}

type ToldProps = {
  of: Parameters<typeof PattyOptions>[0]["answer"];
  kept: NonNullable<KeptTry["patties"]>;
  foods: Foods;
};

function Told({ of, kept, foods }: ToldProps) {
  const { t } = useTranslation();
  const words = useOptionWords(kept.question, of, foods);
  return (
    <>
      <h2>
        {of.best < 0
          ? t("patties.nothing")
          : t(of.sure ? "patties.sure" : "patties.leaning", { what: words(of.best) })}
      </h2>
      <p className="hint">{t("patties.fried", { count: kept.fried.length })}</p>
    </>
  );
}
