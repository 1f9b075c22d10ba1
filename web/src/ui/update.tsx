import { useEffect, useState } from "react";
import { registerSW } from "virtual:pwa-register";
import { useTranslation } from "../i18n/use-translation";

const later = 4000; // ms
let waiting = false;
const listeners = new Set<() => void>();
let use: ((reload?: boolean) => Promise<void>) | undefined;

/** Lets the pages be opened without a network; a newer version waits until somebody takes it. */
export function startOffline() {
  if (!import.meta.env.PROD || !("serviceWorker" in navigator)) return;
  // The page comes first; what is put by for later can wait.
  setTimeout(() => {
    use = registerSW({
      immediate: true,
      onNeedRefresh() {
        waiting = true;
        for (const listener of listeners) listener();
      },
    });
  }, later);
}

/** Offers a newer version. */
export function Update() {
  const { t } = useTranslation();
  const [offered, setOffered] = useState(waiting);
  useEffect(() => {
    const listener = () => setOffered(true);
    listeners.add(listener);
    return () => void listeners.delete(listener);
  }, []);
  if (!offered) return null;
  return (
    <div className="update-bar" role="status">
      {t("cook.update")}
      <button type="button" className="btn btn-primary btn-sm" onClick={() => void use?.(true)}>
        {t("cook.updateNow")}
      </button>
      <button type="button" className="btn btn-quiet btn-sm" onClick={() => setOffered(false)}>
        {t("app.close")}
      </button>
    </div>
  );
}
