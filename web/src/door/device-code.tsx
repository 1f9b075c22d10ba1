import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, server, unwrap } from "../api/client";
import { keepLastKitchen, pagesOf } from "../api/here";
import { useTranslation } from "../i18n/use-translation";

/** Lets a device at the stove in by the six figures that the kitchen's own screen shows. */
export function DeviceCode() {
  const { t } = useTranslation();
  const [code, setCode] = useState("");
  const pair = useMutation({
    mutationFn: () => unwrap(server.POST("/api/pairings", { body: { code, name: deviceName() } })),
    onSuccess: (me) => {
      keepLastKitchen(me.kitchen ?? "");
      location.assign(`${pagesOf(me.kitchen ?? "")}/cook`);
    },
    onError: () => setCode(""),
  });
  const status = pair.error instanceof ApiError ? pair.error.status : 0;
  return (
    <form
      className="door-device"
      aria-labelledby="device-title"
      onSubmit={(e) => {
        e.preventDefault();
        if (code.length === 6) pair.mutate();
      }}
    >
      <h2 id="device-title">{t("door.device")}</h2>
      <label className="hint" htmlFor="device-code">
        {t("door.deviceLead")}
      </label>
      <div className="door-code-row">
        <input
          id="device-code"
          className="form-control door-code"
          inputMode="numeric"
          autoComplete="one-time-code"
          aria-label={t("door.deviceCode")}
          maxLength={6}
          value={code}
          onChange={(e) => setCode(e.target.value.replace(/\D/g, "").slice(0, 6))}
        />
        <button type="submit" className="btn btn-quiet" disabled={code.length < 6 || pair.isPending}>
          {t("door.deviceGo")}
        </button>
      </div>
      {pair.isError && (
        <p role="alert">
          {status === 429 ? t("door.wait") : status === 404 ? t("door.deviceWrong") : t("door.lost")}
        </p>
      )}
    </form>
  );
}

/** What a device is called by default: what it runs. */
const deviceName = () =>
  /iPad|iPhone|Android|Windows|Macintosh|CrOS|Linux/.exec(navigator.userAgent)?.[0] ?? "";
