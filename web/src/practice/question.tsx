import type { Foods, PracticeDrill } from "../api/client";
import { Handful, HandfulBits, HandfulSigns } from "../build/handful";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { MendCall } from "./mend-call";
import { OnHeat } from "./on-heat";
import { Options } from "./options";
import { Record } from "./record";
import type { AskProps } from "./said";
import { Strip } from "./strip";
import { useMethodName } from "../build/method-name";

/** What is asked, and where it is answered. */
export function Question({ drill, foods, zones, said, onSay }: AskProps) {
  const { t } = useTranslation();
  const methodName = useMethodName();
  const format = useFormat();
  const kind = drill.kind as Exclude<typeof drill.kind, "">;
  return (
    <>
      <h1 id="practice-ask">
        {t(`practice.ask.${kind}`, { goal: format.celsius(drill.heat?.target_celsius ?? 0) })}
      </h1>
      {(kind === "squeeze" || kind === "mend" || kind === "binder") && drill.asked && (
        <figure className="practice-handful">
          <Handful
            of={drill.asked}
            foods={foods}
            size={kind === "squeeze" ? "large" : "small"}
            called={kind === "squeeze"}
          />
          {kind === "squeeze" ? (
            <figcaption>
              <HandfulBits of={drill.asked} foods={foods} />
            </figcaption>
          ) : (
            <figcaption>
              <HandfulSigns of={drill.asked} />
            </figcaption>
          )}
        </figure>
      )}
      {kind === "squeeze" && (
        <Strip
          drill={drill}
          zones={zones}
          band={false}
          value={said.index}
          onCall={(index) => onSay({ index })}
          marks={
            said.index === undefined
              ? []
              : [{ index: said.index, words: t("practice.yourCall"), className: "marker-now" }]
          }
        />
      )}
      {kind === "squeeze" && said.index === undefined && <p className="hint">{t("practice.drag")}</p>}
      {kind === "mend" && <MendCall drill={drill} foods={foods} zones={zones} said={said} onSay={onSay} />}
      {kind === "why" && <Record drill={drill} />}
      {kind === "done" && drill.heat && (
        <OnHeat
          drill={drill}
          heat={drill.heat}
          minutes={said.minutes}
          told={false}
          onCall={(minutes) => onSay({ minutes })}
        />
      )}
      {kind === "pair" && <Pair drill={drill} foods={foods} />}
      {drill.off && (
        <p>
          {t("practice.offAfter", {
            minutes: format.minutes(drill.off.minutes),
            method: methodName(drill.document.cook?.method),
          })}
        </p>
      )}
      {(kind === "why" || kind === "binder" || kind === "amiss" || kind === "pair") && (
        <Options drill={drill} foods={foods} chosen={said.choice} onChoose={(choice) => onSay({ choice })} />
      )}
    </>
  );
}

function Pair({ drill, foods }: { drill: PracticeDrill; foods: Foods }) {
  const { t } = useTranslation();
  return (
    <div className="practice-pair">
      {[drill.shown, drill.other_shown].map((h, i) => (
        <figure key={i} className="practice-handful">
          {h && <Handful of={h} foods={foods} size="small" />}
          <figcaption>{t(i === 0 ? "practice.first" : "practice.second")}</figcaption>
        </figure>
      ))}
    </div>
  );
}
