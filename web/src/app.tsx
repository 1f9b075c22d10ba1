import { lazy, Suspense, useEffect, useMemo, useRef, useState } from "react";
import Dropdown from "react-bootstrap/Dropdown";
import {
  createBrowserRouter,
  Navigate,
  NavLink,
  Outlet,
  useLocation,
  useNavigate,
  useRouteError,
} from "react-router";
import { useTranslation } from "./i18n/use-translation";
import { BenchHome, BenchPage } from "./bench/bench-page";
import { Update } from "./ui/update";
import { Trouble } from "./ui/trouble";
import { type Language, languages, setLanguage } from "./i18n";
import { Icon } from "./ui/icon";
import { MoreMenu } from "./ui/more-menu";
import { useActions, useKeys } from "./keys/actions";
import { themes, useTheme } from "./ui/theme";
import { useKitchenUnits } from "./kitchen/queries";
import { unitChoices, useUnits } from "./ui/units";

const SearchDialog = lazy(() => import("./search/search-dialog"));
const KeysDialog = lazy(() => import("./keys/keys-dialog"));
const SheetPage = lazy(() => import("./sheet/sheet-page"));
const SupperHome = lazy(() => import("./supper/supper-page").then((m) => ({ default: m.SupperHome })));
const SupperPage = lazy(() => import("./supper/supper-page").then((m) => ({ default: m.SupperPage })));
const SupperPrint = lazy(() => import("./supper/print-page"));
const GoingOn = lazy(() => import("./cook/going-on"));
const CookHome = lazy(() => import("./cook/cook-home"));
const CookPage = lazy(() => import("./cook/cook-page"));
const LogbookPage = lazy(() => import("./logbook/logbook-page"));
const PracticePage = lazy(() => import("./practice/practice-page"));
const PantryPage = lazy(() => import("./pantry/pantry-page").then((m) => ({ default: m.PantryPage })));

function Frame() {
  const { t, i18n } = useTranslation();
  const [theme, setTheme] = useTheme();
  const units = useUnits();
  const chooseUnits = useKitchenUnits();
  const [dialog, setDialog] = useState<"search" | "keys" | null>(null);
  const actions = useMemo(
    () => ({ search: () => setDialog("search"), overview: () => setDialog("keys") }),
    [],
  );
  useActions(actions);
  useKeys();
  // On a narrow screen the view that is open is in sight.
  const nav = useRef<HTMLElement>(null);
  const view = useLocation().pathname.split("/")[1];
  useEffect(() => {
    const row = nav.current;
    const open = row?.querySelector<HTMLElement>("[aria-current]");
    if (row && open) row.scrollLeft = open.offsetLeft - (row.clientWidth - open.offsetWidth) / 2;
  }, [view, i18n.language]);
  return (
    <>
      <a className="skip" href="#bench">
        {t("app.skip")}
      </a>
      <header className="app-bar">
        <NavLink to="/bench" className="wordmark">
          {t("app.name")}
        </NavLink>
        <nav aria-label={t("app.nav")} ref={nav}>
          <NavLink to="/bench">{t("app.bench")}</NavLink>
          <NavLink to="/supper">{t("app.supper")}</NavLink>
          <NavLink to="/cook">{t("app.cook")}</NavLink>
          <NavLink to="/logbook">{t("app.logbook")}</NavLink>
          <NavLink to="/pantry">{t("app.pantry")}</NavLink>
          <NavLink to="/practice">{t("app.practice")}</NavLink>
        </nav>
        <Suspense>
          <GoingOn />
        </Suspense>
        <div className="app-settings">
          <button
            type="button"
            className="btn btn-quiet btn-icon"
            aria-label={t("search.label")}
            title={`${t("search.label")} (/)`}
            onClick={() => setDialog("search")}
          >
            <Icon name="search" />
          </button>
          <select
            className="form-select form-select-sm"
            aria-label={t("app.language")}
            value={i18n.language}
            onChange={(e) => setLanguage(e.target.value as Language)}
          >
            {Object.entries(languages).map(([code, name]) => (
              <option key={code} value={code} lang={code}>
                {name}
              </option>
            ))}
          </select>
          <MoreMenu label={t("unitSetting.menu")} end icon="sliders">
            <Dropdown.Header as="div">{t("app.theme")}</Dropdown.Header>
            {themes.map((name) => (
              <Dropdown.Item as="button" key={name} active={name === theme} onClick={() => setTheme(name)}>
                {t(`app.themes.${name}`)}
              </Dropdown.Item>
            ))}
            {(["mass", "temperature", "length"] as const).map((kind) => [
              <Dropdown.Header as="div" key={kind}>
                {t(`unitSetting.${kind}`)}
              </Dropdown.Header>,
              ...unitChoices[kind].map((unit) => (
                <Dropdown.Item
                  as="button"
                  key={unit}
                  active={units[kind] === unit}
                  onClick={() => chooseUnits({ [kind]: unit })}
                >
                  {t(`unitSetting.${unit}`)}
                </Dropdown.Item>
              )),
            ])}
            <Dropdown.Divider />
            <Dropdown.Item as="button" onClick={() => setDialog("keys")}>
              {t("keys.open")} <kbd>?</kbd>
            </Dropdown.Item>
          </MoreMenu>
        </div>
      </header>
      <Outlet />
      <Update />
      <Suspense>
        {dialog === "search" && <SearchDialog onClose={() => setDialog(null)} />}
        {dialog === "keys" && <KeysDialog onClose={() => setDialog(null)} />}
      </Suspense>
    </>
  );
}

function Lost() {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const error = useRouteError();
  if (error) console.error(error);
  return (
    <Trouble
      words={t(error ? "app.lost" : "app.notFound")}
      action={t("app.toBench")}
      onRetry={() => void navigate("/bench")}
    />
  );
}

export const router = createBrowserRouter([
  {
    element: <Frame />,
    errorElement: <Lost />,
    children: [
      { path: "/", element: <Navigate to="/bench" replace /> },
      { path: "/bench", element: <BenchHome /> },
      { path: "/bench/:id", element: <BenchPage /> },
      {
        path: "/sheet/:id",
        element: (
          <Suspense>
            <SheetPage />
          </Suspense>
        ),
      },
      {
        path: "/supper",
        element: (
          <Suspense>
            <SupperHome />
          </Suspense>
        ),
      },
      {
        path: "/supper/:id",
        element: (
          <Suspense>
            <SupperPage />
          </Suspense>
        ),
      },
      {
        path: "/supper/:id/print",
        element: (
          <Suspense>
            <SupperPrint />
          </Suspense>
        ),
      },
      {
        path: "/cook",
        element: (
          <Suspense>
            <CookHome />
          </Suspense>
        ),
      },
      ...["/logbook", "/logbook/:id"].map((path) => ({
        path,
        element: (
          <Suspense>
            <LogbookPage />
          </Suspense>
        ),
      })),
      {
        path: "/practice",
        element: (
          <Suspense>
            <PracticePage />
          </Suspense>
        ),
      },
      {
        path: "/pantry",
        element: (
          <Suspense>
            <PantryPage />
          </Suspense>
        ),
      },
      { path: "*", element: <Lost /> },
    ],
  },
  {
    // At the stove there is nothing else on the screen.
    path: "/cook/:id",
    errorElement: <Lost />,
    element: (
      <Suspense>
        <CookPage />
      </Suspense>
    ),
  },
]);
