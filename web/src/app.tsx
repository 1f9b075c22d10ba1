import {
  Component,
  type ReactNode,
  Suspense,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from "react";
import Dropdown from "react-bootstrap/Dropdown";
import { BrowserRouter, Navigate, NavLink, Outlet, Route, Routes, useLocation } from "react-router";
import { LanguageSelect } from "./ui/language-select";
import { useTranslation } from "./i18n/use-translation";
import { BenchHome, BenchPage } from "./bench/bench-page";
import { Unsent } from "./ui/unsent";
import { Update } from "./ui/update";
import { Trouble } from "./ui/trouble";
import { type Language, languages, later, setLanguage } from "./i18n";
import { kitchenHere, pagesOf } from "./api/here";
import { NextThing } from "./help/next-thing";
import { screenOf } from "./help/screens";
import GoingOn from "./cook/going-on";
import { GuestNote, KitchenMenu } from "./people/kitchen-menu";
import { Icon } from "./ui/icon";
import { MoreMenu } from "./ui/more-menu";
import { useActions, useKeys } from "./keys/actions";
import { themes, useTheme } from "./ui/theme";
import { useKitchenUnits } from "./kitchen/queries";
import { unitChoices, useUnits } from "./ui/units";

const SearchDialog = later(() => import("./search/search-dialog"));
const HelpDialog = later(() => import("./help/help-dialog"));
const KeysDialog = later(() => import("./keys/keys-dialog"));
const SheetPage = later(() => import("./sheet/sheet-page"));
const SupperHome = later(() => import("./supper/supper-page").then((m) => ({ default: m.SupperHome })));
const SupperPage = later(() => import("./supper/supper-page").then((m) => ({ default: m.SupperPage })));
const SupperPrint = later(() => import("./supper/print-page"));
const CookHome = later(() => import("./cook/cook-home"));
const CookPage = later(() => import("./cook/cook-page"));
const LogbookPage = later(() => import("./logbook/logbook-page"));
const PracticePage = later(() => import("./practice/practice-page"));
const ComposePage = later(() => import("./compose/compose-page"));
const PeoplePage = later(() => import("./people/people-page"));
const AccountPage = later(() => import("./people/account-page"));
const PantryPage = later(() => import("./pantry/pantry-page").then((m) => ({ default: m.PantryPage })));

const screens = ["bench", "supper", "cook", "logbook", "pantry", "practice"] as const;

/** What is chosen of units and words; whose names foods have is asked only where they are Spanish. */
const unitKinds = (language: string) =>
  (["mass", "temperature", "length", "clock", "spanish"] as const).filter(
    (kind) => kind !== "spanish" || language === "es",
  );

/** Names the screen that was gone to, and puts the keyboard there. A page that has a name of its own says that after. */
function useArrival(view: string | undefined) {
  const { t } = useTranslation();
  const before = useRef(view);
  const screen = screens.find((s) => s === view);
  useLayoutEffect(() => {
    document.title = screen ? `${t(`app.${screen}`)} · Cuerda` : "Cuerda";
  }, [screen, t]);
  useEffect(() => {
    if (before.current === view) return;
    before.current = view;
    // A screen that is fetched first is there a little later.
    let left = 120;
    let frame = requestAnimationFrame(function look() {
      const main = document.querySelector("main");
      const held = document.activeElement;
      if (main && (held === null || held === document.body || held.closest("nav"))) {
        main.tabIndex = -1;
        main.focus({ preventScroll: true });
      } else if (!main && left-- > 0) {
        frame = requestAnimationFrame(look);
      }
    });
    return () => cancelAnimationFrame(frame);
  }, [view]);
}

function Frame() {
  const { t, i18n } = useTranslation();
  const [theme, setTheme] = useTheme();
  const units = useUnits();
  const chooseUnits = useKitchenUnits();
  const [dialog, setDialog] = useState<"search" | "keys" | "help" | null>(null);
  const actions = useMemo(
    () => ({ search: () => setDialog("search"), overview: () => setDialog("keys") }),
    [],
  );
  useActions(actions);
  useKeys();
  // On a narrow screen the view that is open is in sight.
  const nav = useRef<HTMLElement>(null);
  const path = useLocation().pathname;
  const view = path.split("/")[1];
  const helped = screenOf(path);
  useArrival(view);
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
        <KitchenMenu />
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
          <button
            type="button"
            className="btn btn-quiet btn-icon app-help"
            aria-label={t("help.open")}
            title={t("help.open")}
            onClick={() => setDialog("help")}
          >
            <Icon name="help" />
          </button>
          <LanguageSelect />
          <MoreMenu label={t("unitSetting.menu")} end icon="sliders">
            <div className="language-items">
              <Dropdown.Header as="div">{t("app.language")}</Dropdown.Header>
              {Object.entries(languages).map(([code, name]) => (
                <Dropdown.Item
                  as="button"
                  key={code}
                  lang={code}
                  active={code === i18n.language}
                  onClick={() => setLanguage(code as Language)}
                >
                  {name}
                </Dropdown.Item>
              ))}
            </div>
            <Dropdown.Header as="div">{t("app.theme")}</Dropdown.Header>
            {themes.map((name) => (
              <Dropdown.Item as="button" key={name} active={name === theme} onClick={() => setTheme(name)}>
                {t(`app.themes.${name}`)}
              </Dropdown.Item>
            ))}
            {unitKinds(i18n.language).map((kind) => [
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
            <Dropdown.Item as="button" onClick={() => setDialog("help")}>
              {t("help.title")}
            </Dropdown.Item>
            <Dropdown.Item as="button" onClick={() => setDialog("keys")}>
              {t("keys.open")} <kbd>?</kbd>
            </Dropdown.Item>
          </MoreMenu>
        </div>
      </header>
      <GuestNote />
      {helped && helped !== "bench" && <NextThing screen={helped} />}
      <Suspense>
        <Outlet />
      </Suspense>
      <Update />
      <Unsent />
      <Suspense>
        {dialog === "search" && <SearchDialog onClose={() => setDialog(null)} />}
        {dialog === "help" && (
          <HelpDialog
            screen={helped ?? "bench"}
            onKeys={() => setDialog("keys")}
            onClose={() => setDialog(null)}
          />
        )}
        {dialog === "keys" && <KeysDialog onClose={() => setDialog(null)} />}
      </Suspense>
    </>
  );
}

function Lost({ error = false }: { error?: boolean }) {
  const { t } = useTranslation();
  return (
    <Trouble
      words={t(error ? "app.lost" : "app.notFound")}
      action={t("app.toBench")}
      // Whatever threw is left behind with the page.
      onRetry={() => location.assign(`${pagesOf(kitchenHere)}/bench`)}
    />
  );
}

/** What a screen throws takes that screen away, not the words that say so. */
class Guard extends Component<{ children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };
  static getDerivedStateFromError() {
    return { failed: true };
  }
  override componentDidCatch(error: unknown) {
    console.error(error);
  }
  override render() {
    return this.state.failed ? <Lost error /> : this.props.children;
  }
}

export default function App() {
  return (
    <BrowserRouter basename={pagesOf(kitchenHere)}>
      <Guard>
        <Routes>
          <Route element={<Frame />}>
            <Route path="/" element={<Navigate to="/bench" replace />} />
            <Route path="/bench" element={<BenchHome />} />
            <Route path="/bench/:id" element={<BenchPage />} />
            <Route path="/sheet/:id" element={<SheetPage />} />
            <Route path="/supper" element={<SupperHome />} />
            <Route path="/supper/:id" element={<SupperPage />} />
            <Route path="/supper/:id/print" element={<SupperPrint />} />
            <Route path="/cook" element={<CookHome />} />
            {["/logbook", "/logbook/:id"].map((path) => (
              <Route key={path} path={path} element={<LogbookPage />} />
            ))}
            <Route path="/practice" element={<PracticePage />} />
            <Route path="/pantry" element={<PantryPage />} />
            <Route path="/compose" element={<ComposePage />} />
            <Route path="/people" element={<PeoplePage />} />
            <Route path="/account" element={<AccountPage />} />
            <Route path="*" element={<Lost />} />
          </Route>
          {/* At the stove there is nothing else on the screen. */}
          <Route
            path="/cook/:id"
            element={
              <Suspense>
                <CookPage />
              </Suspense>
            }
          />
        </Routes>
      </Guard>
    </BrowserRouter>
  );
}
