import { useState } from "react";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { useJournal } from "./queries";

/** Who came in, and what was done with people, devices and files. */
export function Journal() {
  const { t } = useTranslation();
  const format = useFormat();
  const [shown, setShown] = useState(false);
  const journal = useJournal(shown);
  return (
    <section aria-labelledby="journal-title">
      <h2 id="journal-title">{t("people.journal")}</h2>
      {!shown && (
        <button type="button" className="btn btn-quiet btn-sm" onClick={() => setShown(true)}>
          {t("people.showJournal")}
        </button>
      )}
      {journal.data?.length === 0 && <p>{t("people.noJournal")}</p>}
      {journal.data && journal.data.length > 0 && (
        <table className="table table-sm people-journal">
          <tbody>
            {journal.data.map((e) => (
              <tr key={e.seq} className={/failed/.test(e.what) ? "journal-failed" : ""}>
                <td className="figure">{format.when(e.at)}</td>
                <td>{e.who}</td>
                <td>{t(coded("people.what", e.what))}</td>
                <td>
                  <small>{e.address}</small>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
