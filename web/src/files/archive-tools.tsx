import { kitchenApi } from "../api/here";
import { useState } from "react";
import { Check } from "../ui/check";
import { ApiError } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { useUnpackKitchen } from "./queries";

const most = 64; // MB

/** The whole kitchen as a zip, out and in. */
export function ArchiveTools() {
  const { t } = useTranslation();
  const unpack = useUnpackKitchen();
  const [settings, setSettings] = useState(false);
  const [big, setBig] = useState(false);
  const fault = unpack.error instanceof ApiError ? unpack.error.problem?.errors?.[0] : undefined;
  return (
    <section className="archive-tools" aria-labelledby="archive-title">
      <h3 id="archive-title">{t("files.kitchen")}</h3>
      <div className="archive-row">
        <a className="btn btn-quiet btn-sm" href={`${kitchenApi}/archive`} download>
          {t("files.pack")}
        </a>
        <label className={`btn btn-quiet btn-sm ${unpack.isPending ? "disabled" : ""}`}>
          {t("files.unpack")}
          <input
            type="file"
            className="visually-hidden"
            accept=".zip,application/zip"
            disabled={unpack.isPending}
            onChange={(e) => {
              const file = e.target.files?.[0];
              e.target.value = "";
              if (!file) return;
              setBig(file.size > most * 1024 * 1024);
              if (file.size <= most * 1024 * 1024) unpack.mutate({ file, settings });
            }}
          />
        </label>
      </div>
      <Check label={t("files.withSettings")} checked={settings} onChange={setSettings} />
      {big && (
        <p className="note note-reason" role="alert">
          {t("files.tooBig", { size: most })}
        </p>
      )}
      {unpack.isError && (
        <p className="note note-reason" role="alert">
          {t("files.badArchive", {
            file: fault?.got ?? "",
            why: t([`files.archive.${fault?.code}`, "files.archive.failed"]),
          })}
        </p>
      )}
      {unpack.isSuccess && (
        <p className="note" role="status">
          {t("files.taken", unpack.data)}
        </p>
      )}
    </section>
  );
}
