import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import Modal from "react-bootstrap/Modal";
import { api, type KitchenEntry, unwrap } from "../api/client";
import { keepLastKitchen, pagesOf } from "../api/here";
import { useDay } from "../door/day";
import { useMakeDemonstration } from "../door/queries";
import { ArchiveTools } from "../files/archive-tools";
import { useTranslation } from "../i18n/use-translation";
import { Dialog } from "../ui/dialog";
import { Check } from "../ui/check";
import { dateLocale } from "../ui/date-locale";
import { useFormat } from "../ui/format";
import { NotProved, ProveAgain, useProved } from "./prove";
import { useCommonFigures, useUsage } from "./queries";

type Props = { kitchen: KitchenEntry; onClose: () => void };

/** A kitchen's name and files, and how it is put away or erased. */
export default function ThisKitchen(props: Props) {
  return (
    <ProveAgain>
      <About {...props} />
    </ProveAgain>
  );
}

/** How much there is, where it comes near to what there may be. */
function Usage() {
  const { t } = useTranslation();
  const format = useFormat();
  const usage = useUsage();
  if (!usage.data) return null;
  const { used, may } = usage.data;
  const megabytes = (bytes: number) => format.number(bytes / 1024 / 1024, bytes < 10 * 1024 * 1024 ? 1 : 0);
  return (
    <p className="hint small">
      {t("thisKitchen.photos", { used: megabytes(used.photo_bytes), may: megabytes(may.photo_bytes) })}
      {(["readings", "events", "versions", "tries"] as const)
        .filter((of) => used[of] > may[of] / 2)
        .map(
          (of) =>
            ` ${t(`thisKitchen.${of}`, { used: format.number(used[of]), may: format.number(may[of]) })}`,
        )}
    </p>
  );
}

/** What many kitchens know of foods, and whether this one gives its tries to it. */
function Common({ kitchen: k, onKept }: { kitchen: KitchenEntry; onKept: (entry: KitchenEntry) => void }) {
  const { t, i18n } = useTranslation();
  const common = useCommonFigures();
  const give = useMutation({
    mutationFn: (gives: boolean) => unwrap(api.PUT("/giving", { body: { gives } })),
    onSuccess: onKept,
  });
  const month = (of: string) =>
    new Intl.DateTimeFormat(dateLocale(i18n.language), {
      month: "long",
      year: "numeric",
      timeZone: "UTC",
    }).format(new Date(`${of}-01T00:00:00Z`));
  const made = common.data?.made;
  return (
    <section className="common-figures">
      <h3>{t("thisKitchen.figuresTitle")}</h3>
      {common.data && (
        <p>
          {made
            ? t("thisKitchen.figuresUsed", {
                households: made.households,
                month: month(made.month),
                foods: common.data.foods,
              })
            : t("thisKitchen.figuresNone")}
        </p>
      )}
      {k.made_up && <p className="hint">{t("thisKitchen.giveMadeUp")}</p>}
      {k.role === "owner" && !k.made_up && (
        <>
          <Check
            label={t("thisKitchen.give")}
            checked={give.isPending ? give.variables : k.gives}
            onChange={(gives) => give.mutate(gives)}
          />
          <p className="hint">
            {t("thisKitchen.giveWhat")} {t("thisKitchen.giveNever")}
          </p>
          <p className="hint">{t("thisKitchen.giveBack")}</p>
          {give.isError && <p role="alert">{t("thisKitchen.failed")}</p>}
        </>
      )}
    </section>
  );
}

function About({ kitchen: k, onClose }: Props) {
  const { t } = useTranslation();
  const day = useDay();
  const client = useQueryClient();
  const proved = useProved();
  const [name, setName] = useState(k.name);
  const [typed, setTyped] = useState("");
  const kept = (entry: KitchenEntry) => client.setQueryData(["kitchen"], entry);
  const rename = useMutation({
    mutationFn: () => unwrap(api.PUT("/", { body: { name } })),
    onSuccess: kept,
  });
  const leave = () => {
    keepLastKitchen("");
    location.assign("/door");
  };
  const away = useMutation({ mutationFn: () => unwrap(api.POST("/put-away")), onSuccess: leave });
  const erase = useMutation({
    mutationFn: () => proved(() => unwrap(api.DELETE("/", { params: { query: { name: typed } } }))),
    onSuccess: leave,
  });
  const keep = useMutation({ mutationFn: () => unwrap(api.POST("/restore")), onSuccess: kept });
  const fresh = useMakeDemonstration();
  const failed = [rename, away, erase, keep, fresh].some((m) => m.isError && !(m.error instanceof NotProved));
  const owner = k.role === "owner";
  return (
    <Dialog id="this-kitchen" title={t("thisKitchen.title")} size="lg" onClose={onClose}>
      <Modal.Body className="this-kitchen">
        <p className="hint">
          {t("thisKitchen.holds", { builds: k.builds ?? 0, suppers: k.suppers ?? 0, tries: k.tries ?? 0 })}
        </p>
        <Usage />
        {k.role !== "guest" && (
          <form
            className="people-row"
            onSubmit={(e) => {
              e.preventDefault();
              rename.mutate();
            }}
          >
            <label className="credential">
              <span>{t("thisKitchen.name")}</span>
              <input
                className="form-control"
                maxLength={60}
                value={name}
                onChange={(e) => setName(e.target.value)}
              />
            </label>
            <button
              type="submit"
              className="btn btn-quiet"
              disabled={!name.trim() || name === k.name || rename.isPending}
            >
              {t("thisKitchen.rename")}
            </button>
          </form>
        )}
        {rename.isSuccess && <p role="status">{t("thisKitchen.renamed")}</p>}
        {k.role !== "guest" && <ArchiveTools />}
        <Common kitchen={k} onKept={kept} />
        {k.made_up && owner && (
          <section>
            <h3>{t("kitchenMenu.fresh")}</h3>
            <p>{t("kitchenMenu.freshSure")}</p>
            <button
              type="button"
              className="btn btn-straw btn-sm"
              disabled={fresh.isPending}
              onClick={() =>
                fresh.mutate(undefined, {
                  onSuccess: (made) => {
                    keepLastKitchen(made.id);
                    location.assign(`${pagesOf(made.id)}/bench`);
                  },
                })
              }
            >
              {fresh.isPending ? t("door.lookMaking") : t("kitchenMenu.fresh")}
            </button>
          </section>
        )}
        {owner && k.erase_at && (
          <p className="note note-limit">
            {t("thisKitchen.erasing", { day: day(k.erase_at) })}{" "}
            <button type="button" className="btn btn-quiet btn-sm" onClick={() => keep.mutate()}>
              {t("thisKitchen.keep")}
            </button>
          </p>
        )}
        {owner && !k.erase_at && (
          <>
            <section>
              <h3>{t("thisKitchen.awayTitle")}</h3>
              <p>{t("thisKitchen.away")}</p>
              <button type="button" className="btn btn-quiet btn-sm" onClick={() => away.mutate()}>
                {t("thisKitchen.awayDo")}
              </button>
            </section>
            <section>
              <h3>{t("thisKitchen.eraseTitle")}</h3>
              <p>{t(k.made_up ? "thisKitchen.eraseClub" : "thisKitchen.erase")}</p>
              <label className="credential">
                <span>{t("thisKitchen.typeName", { name: k.name })}</span>
                <input className="form-control" value={typed} onChange={(e) => setTyped(e.target.value)} />
              </label>
              <button
                type="button"
                className="btn btn-danger btn-sm"
                disabled={typed.trim() !== k.name || erase.isPending}
                onClick={() => erase.mutate()}
              >
                {t("thisKitchen.eraseDo")}
              </button>
            </section>
          </>
        )}
        {failed && <p role="alert">{t("thisKitchen.failed")}</p>}
      </Modal.Body>
    </Dialog>
  );
}
