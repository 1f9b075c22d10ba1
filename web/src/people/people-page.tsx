import { useState } from "react";
import { api, unwrap } from "../api/client";
import { useMe } from "../door/queries";
import { useDay } from "../door/day";
import { useTranslation } from "../i18n/use-translation";
import { Devices, Links } from "./devices";
import { Invitations } from "./invitations";
import { Journal } from "./journal";
import { NotProved, ProveAgain, useProved } from "./prove";
import { useChange, useKitchenEntry, useMembers } from "./queries";

const roles = ["owner", "cook", "guest"] as const;
type Role = (typeof roles)[number];

/** /people: who may come into this kitchen, and by which devices and links. */
export default function PeoplePage() {
  const { t } = useTranslation();
  const me = useMe();
  const kitchen = useKitchenEntry();
  if (!me.data || !kitchen.data)
    return <main className="alone" aria-busy="true" aria-label={t("app.loading")} />;
  const owner = kitchen.data.role === "owner";
  return (
    <ProveAgain>
      <main className="people-page" id="bench">
        <h1>{t("people.title")}</h1>
        {!me.data.accounts && <p className="people-alone">{t("people.alone")}</p>}
        {me.data.accounts && <Members owner={owner} me={me.data.account ?? ""} />}
        {me.data.accounts && owner && <Invitations />}
        {me.data.accounts && owner && <Devices />}
        <Links may={kitchen.data.role !== "guest"} />
        {me.data.accounts && owner && <Journal />}
      </main>
    </ProveAgain>
  );
}

function Members({ owner, me }: { owner: boolean; me: string }) {
  const { t } = useTranslation();
  const day = useDay();
  const members = useMembers();
  const proved = useProved();
  const [failed, setFailed] = useState<string>();
  const set = useChange(({ account, role }: { account: string; role: Role }) =>
    proved(() => unwrap(api.PUT("/people/{account}", { params: { path: { account } }, body: { role } }))),
  );
  const remove = useChange((account: string) =>
    proved(() => unwrap(api.DELETE("/people/{account}", { params: { path: { account } } }))),
  );
  const leave = useChange(() => unwrap(api.POST("/leave")));
  const said = (error: unknown) => {
    if (error instanceof NotProved) return;
    const code = (error as { problem?: { code?: string } }).problem?.code;
    setFailed(code === "last-owner" ? t("credential.last-owner") : t("people.failed"));
  };
  return (
    <section aria-labelledby="members-title">
      <h2 id="members-title">{t("people.members")}</h2>
      <ul className="people-list">
        {(members.data ?? []).map((m) => (
          <li key={m.account}>
            <span className="people-name">
              {m.name} {m.account === me && <small>({t("people.you")})</small>}
              <small className="people-since">{t("people.since", { day: day(m.joined_at) })}</small>
            </span>
            {owner ? (
              <select
                className="form-select form-select-sm"
                aria-label={t("people.role", { name: m.name })}
                value={m.role}
                onChange={(e) => {
                  setFailed(undefined);
                  set.mutate({ account: m.account, role: e.target.value as Role }, { onError: said });
                }}
              >
                {roles.map((r) => (
                  <option key={r} value={r}>
                    {t(`people.roles.${r}`)}
                  </option>
                ))}
              </select>
            ) : (
              <span>{t(`people.roles.${m.role}`)}</span>
            )}
            {owner && m.account !== me && (
              <button
                type="button"
                className="btn btn-quiet btn-sm"
                onClick={() => {
                  setFailed(undefined);
                  remove.mutate(m.account, { onError: said });
                }}
              >
                {t("people.remove", { name: m.name })}
              </button>
            )}
          </li>
        ))}
      </ul>
      <dl className="people-may">
        {roles.map((r) => (
          <div key={r}>
            <dt>{t(`people.roles.${r}`)}</dt>
            <dd>{t(`people.may.${r}`)}</dd>
          </div>
        ))}
      </dl>
      {failed && (
        <p role="alert" className="note note-limit">
          {failed}
        </p>
      )}
      <button
        type="button"
        className="btn btn-quiet btn-sm"
        onClick={() => leave.mutate(undefined, { onSuccess: () => location.assign("/door"), onError: said })}
      >
        {t("people.leave")}
      </button>
    </section>
  );
}
