import { createContext, useCallback, useContext, useRef, useState } from "react";
import Modal from "react-bootstrap/Modal";
import { ApiError } from "../api/client";
import { CredentialTrouble, PassphraseField } from "../door/credentials";
import { useTranslation } from "../i18n/use-translation";
import { Actions, Dialog } from "../ui/dialog";
import { useProve } from "./queries";

type Guarded = <T>(act: () => Promise<T>) => Promise<T>;

const Proving = createContext<Guarded>((act) => act());

/** Does something, and where the kitchen first wants to know who it is, asks for that and does it then. */
export const useProved = () => useContext(Proving);

/** Thrown where somebody does not want to say who they are. */
export class NotProved extends Error {}

export function ProveAgain({ children }: { children: React.ReactNode }) {
  const { t } = useTranslation();
  const prove = useProve();
  const [asking, setAsking] = useState(false);
  const [passphrase, setPassphrase] = useState("");
  const answer = useRef<(yes: boolean) => void>(undefined);
  const guarded = useCallback<Guarded>(async (act) => {
    try {
      return await act();
    } catch (error) {
      if (!(error instanceof ApiError) || error.problem?.code !== "prove-again") throw error;
    }
    setPassphrase("");
    setAsking(true);
    const yes = await new Promise<boolean>((resolve) => {
      answer.current = resolve;
    });
    setAsking(false);
    if (!yes) throw new NotProved();
    return act();
  }, []);
  return (
    <Proving.Provider value={guarded}>
      {children}
      {asking && (
        <Dialog id="prove-title" title={t("signIn.again")} size="lg" onClose={() => answer.current?.(false)}>
          <Modal.Body>
            <p>{t("signIn.againLead")}</p>
            <PassphraseField label={t("signIn.passphrase")} value={passphrase} onChange={setPassphrase} />
            <CredentialTrouble error={prove.error} />
          </Modal.Body>
          <Actions
            onCancel={() => answer.current?.(false)}
            act={t("signIn.go")}
            ready={passphrase !== "" && !prove.isPending}
            onAct={() => prove.mutate(passphrase, { onSuccess: () => answer.current?.(true) })}
          />
        </Dialog>
      )}
    </Proving.Provider>
  );
}
