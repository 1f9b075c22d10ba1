import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { passkeysHere, signInByPasskey } from "../people/passkey";
import { ApiError, server, unwrap } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { CredentialTrouble, NameField, PassphraseField } from "./credentials";
import { DeviceCode } from "./device-code";

/** /sign-in: who comes. Afterwards the page goes on where somebody wanted to go. */
export function SignInPage() {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const [params] = useSearchParams();
  useEffect(() => {
    document.title = `${t("signIn.title")} · Cuerda`;
  }, [t]);
  const to = params.get("to");
  return (
    <main className="door" id="bench">
      <div className="door-own">
        <h1>{t("signIn.title")}</h1>
        {to && <p className="hint">{t("signIn.over")}</p>}
        <SignIn
          onIn={() => {
            // Only a page of ours: nothing that begins with another host.
            if (to?.startsWith("/") && !to.startsWith("//")) location.assign(to);
            else void navigate("/door", { replace: true });
          }}
        />
      </div>
      <aside className="door-side">
        <DeviceCode />
      </aside>
    </main>
  );
}

export function SignIn({ onIn }: { onIn: () => void }) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const [account, setAccount] = useState("");
  const [secret, setSecret] = useState("");
  const [byCode, setByCode] = useState(false);
  const enter = useMutation({
    mutationFn: () =>
      unwrap(
        server.POST("/api/session", {
          body: byCode ? { account, recovery_code: secret } : { account, passphrase: secret },
        }),
      ),
    onSuccess: (me) => {
      client.setQueryData(["me"], me);
      onIn();
    },
  });
  const byKey = useMutation({
    mutationFn: signInByPasskey,
    onSuccess: (me) => {
      client.setQueryData(["me"], me);
      onIn();
    },
  });
  return (
    <form
      className="door-form"
      onSubmit={(e) => {
        e.preventDefault();
        enter.mutate();
      }}
    >
      <NameField value={account} onChange={setAccount} />
      {byCode ? (
        <label className="credential">
          <span>{t("signIn.codeLabel")}</span>
          <input
            className="form-control"
            autoComplete="off"
            maxLength={100}
            required
            value={secret}
            onChange={(e) => setSecret(e.target.value)}
          />
        </label>
      ) : (
        <PassphraseField label={t("signIn.passphrase")} value={secret} onChange={setSecret} />
      )}
      <CredentialTrouble error={enter.error ?? (byKey.error instanceof ApiError ? byKey.error : null)} />
      {passkeysHere() && (
        <button
          type="button"
          className="btn btn-straw"
          disabled={byKey.isPending}
          onClick={() => byKey.mutate()}
        >
          {t("signIn.passkey")}
        </button>
      )}
      <div className="door-actions">
        <button type="submit" className="btn btn-primary" disabled={enter.isPending || !account || !secret}>
          {t("signIn.go")}
        </button>
        <button
          type="button"
          className="btn btn-link"
          onClick={() => {
            setByCode(!byCode);
            setSecret("");
          }}
        >
          {t(byCode ? "signIn.passphrase" : "signIn.code")}
        </button>
      </div>
      <p className="hint small">{t("signIn.lostAll")}</p>
    </form>
  );
}
