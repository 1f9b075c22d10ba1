import { useState } from "react";
import { ApiError } from "../api/client";
import { coded, useTranslation } from "../i18n/use-translation";
import { CopyButton } from "../ui/copy-button";

type FieldProps = {
  label: string;
  value: string;
  onChange: (value: string) => void;
  /** Whether it is chosen here, and not typed again. */
  fresh?: boolean;
  hint?: string;
};

/** A passphrase that can be looked at while it is typed; a password manager may fill it. */
export function PassphraseField({ label, value, onChange, fresh = false, hint }: FieldProps) {
  const { t } = useTranslation();
  const [shown, setShown] = useState(false);
  return (
    <div className="credential">
      <label>
        <span>{label}</span>
        <input
          className="form-control"
          type={shown ? "text" : "password"}
          autoComplete={fresh ? "new-password" : "current-password"}
          maxLength={500}
          required
          value={value}
          onChange={(e) => onChange(e.target.value)}
        />
      </label>
      <label className="form-check">
        <input
          type="checkbox"
          className="form-check-input"
          checked={shown}
          onChange={(e) => setShown(e.target.checked)}
        />
        {t("signIn.show")}
      </label>
      {hint && <p className="hint small">{hint}</p>}
    </div>
  );
}

export function NameField({ value, onChange }: { value: string; onChange: (value: string) => void }) {
  const { t } = useTranslation();
  return (
    <label className="credential">
      <span>{t("signIn.name")}</span>
      <input
        className="form-control"
        autoComplete="username"
        maxLength={60}
        required
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
    </label>
  );
}

/** What was wrong with a name or a passphrase, or with who somebody is. */
export function CredentialTrouble({ error }: { error: unknown }) {
  const { t, i18n } = useTranslation();
  if (!error) return null;
  const problem = error instanceof ApiError ? error.problem : undefined;
  const status = error instanceof ApiError ? error.status : 0;
  const code = problem?.code ?? "";
  let words = t("door.lost");
  if (status === 429) words = t("door.wait");
  else if (code === "wrong-passphrase") words = t("signIn.wrong");
  else if (i18n.exists(`credential.${code}`)) words = t(coded("credential", code));
  else if (status > 0) words = t("credential.other", { detail: problem?.detail ?? "" });
  return (
    <p role="alert" className="note note-limit">
      {words}
    </p>
  );
}

/** Ten codes that are shown once. */
export function RecoveryCodes({ codes, onKept }: { codes: string[]; onKept: () => void }) {
  const { t } = useTranslation();
  return (
    <section className="recovery" aria-labelledby="codes-title">
      <h2 id="codes-title">{t("invitation.codesTitle")}</h2>
      <p>{t("invitation.codes")}</p>
      <ol className="recovery-codes">
        {codes.map((c) => (
          <li key={c}>
            <code>{c}</code>
          </li>
        ))}
      </ol>
      <div className="door-actions">
        <CopyButton words={t("invitation.copy")} text={() => codes.join("\n")} />
        <button type="button" className="btn btn-primary" onClick={onKept}>
          {t("invitation.codesKept")}
        </button>
      </div>
    </section>
  );
}
