import { lazy, Suspense } from "react";
import Dropdown from "react-bootstrap/Dropdown";
import { useTranslation } from "./i18n/use-translation";
import { createBrowserRouter, Navigate, NavLink, Outlet, useNavigate, useRouteError } from "react-router";
import { BenchHome, BenchPage, Trouble } from "./bench/bench-page";
import { languages, setLanguage, type Language } from "./i18n";
import { Icon } from "./ui/icon";
import { themes, useTheme } from "./ui/theme";

const PantryPage = lazy(() => import("./pantry/pantry-page").then((m) => ({ default: m.PantryPage })));

function Frame() {
  const { t, i18n } = useTranslation();
  const [theme, setTheme] = useTheme();
  return (
    <>
      <a className="skip" href="#bench">
        {t("app.skip")}
      </a>
      <header className="app-bar">
        <NavLink to="/bench" className="wordmark">
          {t("app.name")}
        </NavLink>
        <nav aria-label={t("app.nav")}>
          <NavLink to="/bench">{t("app.bench")}</NavLink>
          <NavLink to="/pantry">{t("app.pantry")}</NavLink>
        </nav>
        <div className="app-settings">
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
          <Dropdown align="end">
            <Dropdown.Toggle
              as="button"
              type="button"
              className="btn btn-quiet btn-icon"
              aria-label={t("app.theme")}
            >
              <Icon name="theme" />
            </Dropdown.Toggle>
            <Dropdown.Menu>
              {themes.map((name) => (
                <Dropdown.Item as="button" key={name} active={name === theme} onClick={() => setTheme(name)}>
                  {t(`app.themes.${name}`)}
                </Dropdown.Item>
              ))}
            </Dropdown.Menu>
          </Dropdown>
        </div>
      </header>
      <Outlet />
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
]);
