import { useState } from "react";
import { ApiError, server, unwrap } from "../api/client";
import { keepLastKitchen } from "../api/here";
import { CredentialTrouble, PassphraseField, RecoveryCodes } from "../door/credentials";
import { useMe } from "../door/queries";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { NotProved, ProveAgain, useProved } from "./prove";
import { addPasskey, passkeysHere } from "./passkey";
import { useChange, usePasskeys, useSessions } from "./queries";

/** /account: one's passphrase, sessions and data. */
export default function AccountPage() {
  const { t } = useTranslation();
  const me = useMe();
  if (!me.data) return <main className="alone" aria-busy="true" aria-label={t("app.loading")} />;
  return (
    <ProveAgain>
      <main className="people-page" id="bench">
        <h1>
          {t("account.title")} {me.data.name && <small>{me.data.name}</small>}
        </h1>
        {!me.data.account ? (
          <p>{t("people.alone")}</p>
        ) : (
          <>
            {(me.data.failed ?? 0) > 0 && (
              <p className="note note-limit">{t("signIn.failed", { count: me.data.failed })}</p>
            )}
            <Passphrase />
            <Passkeys />
            <Codes />
            <Sessions />
            <section>
              <h2>{t("account.data")}</h2>
              <a className="btn btn-quiet btn-sm" href="/api/me/data" download>
                {t("account.dataDo")}
              </a>
            </section>
            <Erase name={me.data.name ?? ""} />
          </>
        )}
      </main>
    </ProveAgain>
  );
}

const unlessStopped = (error: unknown) => (error instanceof NotProved ? null : error);

function Passphrase() {
  const { t } = useTranslation();
  const proved = useProved();
  const [passphrase, setPassphrase] = useState("");
  const set = useChange(() =>
    proved(() => unwrap(server.PUT("/api/me/passphrase", { body: { passphrase } }))),
  );
  return (
    <form
      aria-labelledby="passphrase-title"
      onSubmit={(e) => {
        e.preventDefault();
        set.mutate(undefined, { onSuccess: () => setPassphrase("") });
      }}
    >
      <h2 id="passphrase-title">{t("account.passphrase")}</h2>
      <PassphraseField
        fresh
        label={t("account.passphraseNew")}
        value={passphrase}
        onChange={setPassphrase}
        hint={t("invitation.passphraseHint")}
      />
      <CredentialTrouble error={unlessStopped(set.error)} />
      {set.isSuccess && <p role="status">{t("account.passphraseDone")}</p>}
      <button type="submit" className="btn btn-quiet btn-sm" disabled={passphrase === "" || set.isPending}>
        {t("account.passphraseDo")}
      </button>
    </form>
  );
}

function Passkeys() {
  const { t } = useTranslation();
  const format = useFormat();
  const proved = useProved();
  const keys = usePasskeys();
  const add = useChange(() => proved(() => addPasskey(browserOf(navigator.userAgent))));
  const remove = useChange((id: string) =>
    proved(() => unwrap(server.DELETE("/api/me/passkeys/{id}", { params: { path: { id } } }))),
  );
  return (
    <section aria-labelledby="passkeys-title">
      <h2 id="passkeys-title">{t("account.passkeys")}</h2>
      <p className="hint">{t(passkeysHere() ? "account.passkeysLead" : "account.passkeysNot")}</p>
      <ul className="people-list">
        {(keys.data ?? []).map((k) => (
          <li key={k.id}>
            <span className="people-name">
              {k.name || t("account.passkey")}
              <small className="people-since">
                {k.used_at ? t("people.seen", { when: format.when(k.used_at) }) : t("account.neverUsed")}
              </small>
            </span>
            <button type="button" className="btn btn-quiet btn-sm" onClick={() => remove.mutate(k.id)}>
              {t("account.passkeyRemove")}
            </button>
          </li>
        ))}
      </ul>
      <CredentialTrouble error={add.error instanceof ApiError ? add.error : null} />
      {passkeysHere() && (
        <button
          type="button"
          className="btn btn-straw btn-sm"
          disabled={add.isPending}
          onClick={() => add.mutate(undefined)}
        >
          {t("account.passkeyAdd")}
        </button>
      )}
    </section>
  );
}

function Codes() {
  const { t } = useTranslation();
  const proved = useProved();
  const make = useChange(() => proved(() => unwrap(server.POST("/api/me/recovery-codes"))));
  return (
    <section aria-labelledby="account-codes">
      {make.data ? (
        <RecoveryCodes codes={make.data.codes} onKept={() => make.reset()} />
      ) : (
        <>
          <h2 id="account-codes">{t("account.codes")}</h2>
          <CredentialTrouble error={unlessStopped(make.error)} />
          <button type="button" className="btn btn-quiet btn-sm" onClick={() => make.mutate(undefined)}>
            {t("account.codesDo")}
          </button>
        </>
      )}
    </section>
  );
}

function Sessions() {
  const { t } = useTranslation();
  const format = useFormat();
  const sessions = useSessions();
  const end = useChange((id: string) =>
    unwrap(server.DELETE("/api/me/sessions/{id}", { params: { path: { id } } })),
  );
  return (
    <section aria-labelledby="sessions-title">
      <h2 id="sessions-title">{t("account.sessions")}</h2>
      <ul className="people-list">
        {(sessions.data ?? []).map((s) => (
          <li key={s.id}>
            <span className="people-name">
              {browserOf(s.agent)} {s.here && <small>({t("account.here")})</small>}
              <small className="people-since">{t("people.seen", { when: format.when(s.seen_at) })}</small>
            </span>
            {!s.here && (
              <button type="button" className="btn btn-quiet btn-sm" onClick={() => end.mutate(s.id)}>
                {t("account.end")}
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What a browser is, in as few words as tell one from another. */
function browserOf(agent: string): string {
  const system = /iPad|iPhone|Android|Windows|Macintosh|CrOS|Linux/.exec(agent)?.[0];
  const kind = /Firefox|Edg|Chrome|Safari/.exec(agent)?.[0]?.replace("Edg", "Edge");
  return [kind, system].filter(Boolean).join(", ") || agent.slice(0, 40) || "?";
}

function Erase({ name }: { name: string }) {
  const { t } = useTranslation();
  const proved = useProved();
  const [typed, setTyped] = useState("");
  const erase = useChange(() =>
    proved(() => unwrap(server.DELETE("/api/me", { params: { query: { name: typed } } }))),
  );
  return (
    <section aria-labelledby="erase-account">
      <h2 id="erase-account">{t("account.erase")}</h2>
      <p>{t("account.eraseLead")}</p>
      <label className="credential">
        <span>{t("account.typeName", { name })}</span>
        <input className="form-control" value={typed} onChange={(e) => setTyped(e.target.value)} />
      </label>
      <CredentialTrouble error={unlessStopped(erase.error)} />
      <button
        type="button"
        className="btn btn-danger btn-sm"
        disabled={typed !== name || erase.isPending}
        onClick={() =>
          erase.mutate(undefined, {
            onSuccess: () => {
              keepLastKitchen("");
              location.assign("/sign-in");
            },
          })
        }
      >
        {t("account.eraseDo")}
      </button>
    </section>
  );
}
