import { useMutation, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useParams } from "react-router";
import { ApiError, server, unwrap } from "../api/client";
import { keepLastKitchen, pagesOf } from "../api/here";
import { useTranslation } from "../i18n/use-translation";
import { Trouble } from "../ui/trouble";
import { CredentialTrouble, NameField, PassphraseField, RecoveryCodes } from "./credentials";
import { SignIn } from "./sign-in";

/** /invitation/:token: comes in once, with an account of one's own. */
export default function InvitationPage() {
  const { token = "" } = useParams();
  const { t } = useTranslation();
  const [account, setAccount] = useState("");
  const [passphrase, setPassphrase] = useState("");
  const [have, setHave] = useState(false);
  const look = useQuery({
    queryKey: ["invitation", token],
    queryFn: ({ signal }) =>
      unwrap(server.GET("/api/invitations/{token}", { params: { path: { token } }, signal })),
    retry: false,
    refetchOnWindowFocus: false,
  });
  useEffect(() => {
    document.title = `${t("invitation.title")} · Cuerda`;
  }, [t]);
  const accept = useMutation({
    mutationFn: () =>
      unwrap(
        server.POST("/api/invitations/{token}/accept", {
          params: { path: { token } },
          body: look.data?.name ? {} : { account, passphrase },
        }),
      ),
    onSuccess: (in_) => {
      if (!in_.codes?.length) goIn(in_.kitchen);
    },
  });
  const goIn = (kitchen: string) => {
    keepLastKitchen(kitchen);
    location.assign(kitchen ? `${pagesOf(kitchen)}/bench` : "/door");
  };
  if (look.isError) {
    const wait = look.error instanceof ApiError && look.error.status === 429;
    return (
      <Trouble
        words={t(wait ? "door.wait" : "invitation.gone")}
        action={t("door.toDoor")}
        onRetry={() => location.assign("/door")}
      />
    );
  }
  if (!look.data) return <main className="alone" aria-busy="true" aria-label={t("app.loading")} />;
  if (accept.data?.codes?.length)
    return (
      <main className="door door-alone" id="bench">
        <RecoveryCodes codes={accept.data.codes} onKept={() => goIn(accept.data.kitchen)} />
      </main>
    );
  const { kitchen, by, role, name } = look.data;
  const as = t(`invitation.as.${role}`);
  return (
    <main className="door door-alone" id="bench">
      <h1>{t("invitation.title")}</h1>
      <p>
        {kitchen === ""
          ? t("invitation.first")
          : t(by ? "invitation.into" : "invitation.intoNobody", { by, kitchen, role: as })}
      </p>
      {name ? (
        <div className="door-form">
          <p>{t("invitation.signedIn", { name })}</p>
          <CredentialTrouble error={accept.error} />
          <button
            type="button"
            className="btn btn-primary"
            disabled={accept.isPending}
            onClick={() => accept.mutate()}
          >
            {t("invitation.accept")}
          </button>
        </div>
      ) : have ? (
        <SignIn onIn={() => void look.refetch()} />
      ) : (
        <form
          className="door-form"
          aria-labelledby="make-title"
          onSubmit={(e) => {
            e.preventDefault();
            accept.mutate();
          }}
        >
          <h2 id="make-title">{t("invitation.make")}</h2>
          <NameField value={account} onChange={setAccount} />
          <PassphraseField
            fresh
            label={t("signIn.passphrase")}
            value={passphrase}
            onChange={setPassphrase}
            hint={t("invitation.passphraseHint")}
          />
          <CredentialTrouble error={accept.error} />
          <div className="door-actions">
            <button
              type="submit"
              className="btn btn-primary"
              disabled={accept.isPending || !account || !passphrase}
            >
              {t("invitation.accept")}
            </button>
            <button type="button" className="btn btn-link" onClick={() => setHave(true)}>
              {t("invitation.have")}
            </button>
          </div>
        </form>
      )}
    </main>
  );
}
