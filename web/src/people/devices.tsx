import { api, unwrap } from "../api/client";
import { useDay } from "../door/day";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { useProved } from "./prove";
import { useChange, useDevices, useLinks } from "./queries";

/** Devices at the stove, and the six figures that let one in. */
export function Devices() {
  const { t } = useTranslation();
  const format = useFormat();
  const devices = useDevices(true);
  const proved = useProved();
  const pair = useChange(() => proved(() => unwrap(api.POST("/pairing"))));
  const end = useChange((id: string) =>
    proved(() => unwrap(api.DELETE("/devices/{id}", { params: { path: { id } } }))),
  );
  return (
    <section aria-labelledby="devices-title">
      <h2 id="devices-title">{t("people.devices")}</h2>
      <p className="hint">{t("people.devicesLead")}</p>
      {devices.data?.length === 0 && <p>{t("people.noDevices")}</p>}
      <ul className="people-list">
        {(devices.data ?? []).map((d) => (
          <li key={d.id}>
            <span className="people-name">
              {d.name || t("people.unnamed")}
              <small className="people-since">{t("people.seen", { when: format.when(d.seen_at) })}</small>
            </span>
            <button type="button" className="btn btn-quiet btn-sm" onClick={() => end.mutate(d.id)}>
              {t("people.endDevice", { name: d.name || t("people.unnamed") })}
            </button>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="btn btn-straw btn-sm"
        disabled={pair.isPending}
        onClick={() => pair.mutate(undefined)}
      >
        {t("people.pair")}
      </button>
      {pair.data && (
        <div className="people-once" role="status">
          <p>{t("people.pairCode")}</p>
          <p className="people-code figure">{pair.data.code.replace(/(...)(...)/, "$1 $2")}</p>
        </div>
      )}
      {(pair.isError || end.isError) && <p role="alert">{t("people.failed")}</p>}
    </section>
  );
}

/** Links by which anybody reads one recipe. */
export function Links({ may }: { may: boolean }) {
  const { t } = useTranslation();
  const day = useDay();
  const links = useLinks();
  const end = useChange((id: string) => unwrap(api.DELETE("/links/{id}", { params: { path: { id } } })));
  return (
    <section aria-labelledby="links-title">
      <h2 id="links-title">{t("people.links")}</h2>
      <p className="hint">{t("people.linksLead")}</p>
      {links.data?.length === 0 && <p>{t("people.noLinks")}</p>}
      <ul className="people-list">
        {(links.data ?? []).map((l) => (
          <li key={l.id}>
            <span className="people-name">
              {l.build_name}
              <small className="people-since">{t("people.linkUntil", { day: day(l.expires_at) })}</small>
            </span>
            {may && (
              <button type="button" className="btn btn-quiet btn-sm" onClick={() => end.mutate(l.id)}>
                {t("people.takeBack")}
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
