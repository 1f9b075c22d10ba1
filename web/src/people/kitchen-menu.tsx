import { useMutation } from "@tanstack/react-query";
import { Suspense, useEffect, useState } from "react";
import Dropdown from "react-bootstrap/Dropdown";
import { useNavigate } from "react-router";
import { ApiError, server, unwrap } from "../api/client";
import { keepLastKitchen, kitchenHere, pagesOf } from "../api/here";
import { useKitchens, useMe } from "../door/queries";
import { Icon } from "../ui/icon";
import { later } from "../i18n";
import { useTranslation } from "../i18n/use-translation";
import { useKitchenEntry } from "./queries";

const KitchenDialog = later(() => import("../kitchen/kitchen-dialog"));
const ThisKitchen = later(() => import("./this-kitchen"));

/** Says to a guest that what they change here is not kept. */
export function GuestNote() {
  const { t } = useTranslation();
  if (useKitchenEntry().data?.role !== "guest") return null;
  return <p className="guest-note">{t("kitchenMenu.guest")}</p>;
}

/** The kitchen's name in the header: it opens what there is to do with kitchens. */
export function KitchenMenu() {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const me = useMe();
  const kitchen = useKitchenEntry();
  const [open, setOpen] = useState(false);
  const kitchens = useKitchens(open);
  const [dialog, setDialog] = useState<"settings" | "this" | null>(null);
  const signOut = useMutation({
    mutationFn: () => unwrap(server.DELETE("/api/session")),
    onSuccess: () => location.assign("/sign-in"),
  });
  const status = kitchen.error instanceof ApiError ? kitchen.error.status : 0;
  useEffect(() => {
    if (kitchen.data) keepLastKitchen(kitchen.data.id);
    if (status === 404) {
      keepLastKitchen("");
      location.replace("/door");
    }
  }, [kitchen.data, status]);
  const name = kitchen.data?.name ?? "";
  const others = (kitchens.data ?? []).filter((k) => k.id !== kitchenHere && !k.put_away_at && !k.erase_at);
  return (
    <>
      <Dropdown align="end" onToggle={setOpen} className="kitchen-menu">
        <Dropdown.Toggle as="button" type="button" className="btn btn-quiet kitchen-name">
          <span className="visually-hidden">{t("kitchenMenu.label")}</span>{" "}
          <span className="kitchen-name-words">{name}</span>
          <Icon name="chevron-down" />
          {kitchen.data?.made_up && <span className="made-up">{t("kitchenMenu.madeUp")}</span>}
        </Dropdown.Toggle>
        <Dropdown.Menu>
          {others.length > 0 && <Dropdown.Header as="div">{t("kitchenMenu.switch")}</Dropdown.Header>}
          {others.map((k) => (
            <Dropdown.Item key={k.id} href={`${pagesOf(k.id)}/bench`}>
              {k.name} {k.made_up && <small>({t("kitchenMenu.madeUp")})</small>}
            </Dropdown.Item>
          ))}
          <Dropdown.Item href="/door">{t("kitchenMenu.make")}</Dropdown.Item>
          <Dropdown.Divider />
          <Dropdown.Item as="button" onClick={() => setDialog("settings")}>
            {t("kitchenMenu.settings")}
          </Dropdown.Item>
          <Dropdown.Item as="button" onClick={() => void navigate("/people")}>
            {t("kitchenMenu.people")}
          </Dropdown.Item>
          <Dropdown.Item as="button" onClick={() => setDialog("this")}>
            {t("kitchenMenu.about")}
          </Dropdown.Item>
          {me.data?.account && (
            <>
              <Dropdown.Divider />
              <Dropdown.Header as="div">
                {t("kitchenMenu.signedInAs", { name: me.data.name })}
              </Dropdown.Header>
              <Dropdown.Item as="button" onClick={() => void navigate("/account")}>
                {t("kitchenMenu.account")}
              </Dropdown.Item>
              <Dropdown.Item as="button" onClick={() => signOut.mutate()}>
                {t("signIn.out")}
              </Dropdown.Item>
            </>
          )}
        </Dropdown.Menu>
      </Dropdown>
      <Suspense>
        {dialog === "settings" && (
          <KitchenDialog onClose={() => setDialog(null)} onSaved={() => setDialog(null)} />
        )}
        {dialog === "this" && kitchen.data && (
          <ThisKitchen kitchen={kitchen.data} onClose={() => setDialog(null)} />
        )}
      </Suspense>
    </>
  );
}
