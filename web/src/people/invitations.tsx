import { useState } from "react";
import { api, unwrap } from "../api/client";
import { useDay } from "../door/day";
import { useTranslation } from "../i18n/use-translation";
import { Copied } from "./copied";
import { useProved } from "./prove";
import { useChange, useInvitations } from "./queries";

const roles = ["cook", "guest", "owner"] as const;

/** Links that let somebody in, once. */
export function Invitations() {
  const { t } = useTranslation();
  const day = useDay();
  const open = useInvitations(true);
  const proved = useProved();
  const [role, setRole] = useState<(typeof roles)[number]>("cook");
  const make = useChange(() => proved(() => unwrap(api.POST("/invitations", { body: { role } }))));
  const end = useChange((id: string) =>
    unwrap(api.DELETE("/invitations/{id}", { params: { path: { id } } })),
  );
  return (
    <section aria-labelledby="invite-title">
      <h2 id="invite-title">{t("people.invite")}</h2>
      <div className="people-row">
        <label>
          {t("people.inviteAs")}{" "}
          <select
            className="form-select form-select-sm"
            value={role}
            onChange={(e) => setRole(e.target.value as (typeof roles)[number])}
          >
            {roles.map((r) => (
              <option key={r} value={r}>
                {t(`people.roles.${r}`)}
              </option>
            ))}
          </select>
        </label>
        <button
          type="button"
          className="btn btn-straw btn-sm"
          disabled={make.isPending}
          onClick={() => make.mutate(undefined)}
        >
          {t("people.inviteDo")}
        </button>
      </div>
      {make.data && (
        <Copied
          words={t("people.inviteMade", { day: day(make.data.expires_at) })}
          text={`${location.origin}/invitation/${make.data.token}`}
        />
      )}
      {make.isError && <p role="alert">{t("people.failed")}</p>}
      {(open.data ?? []).length > 0 && (
        <>
          <h3>{t("people.open")}</h3>
          <ul className="people-list">
            {open.data?.map((i) => (
              <li key={i.id}>
                <span className="people-name">
                  {t("people.openOne", { role: t(`people.roles.${i.role}`), day: day(i.expires_at) })}
                </span>
                <button type="button" className="btn btn-quiet btn-sm" onClick={() => end.mutate(i.id)}>
                  {t("people.takeBack")}
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
