import { lazy, Suspense, useEffect } from "react";
import { BrowserRouter, Navigate, Route, Routes, useLocation } from "react-router";
import { lastKitchen, pagesOf } from "../api/here";
import { LanguageSelect } from "../ui/language-select";
import { useTranslation } from "../i18n/use-translation";
import { DoorPage } from "./door-page";

const SignInPage = lazy(() => import("./sign-in").then((m) => ({ default: m.SignInPage })));
const InvitationPage = lazy(() => import("./invitation"));
const LinkPage = lazy(() => import("./link-page"));

/** What stands before the kitchens: it belongs to none. */
export default function DoorApp() {
  return (
    <BrowserRouter>
      <DoorBar />
      <Suspense fallback={<main className="alone" aria-busy="true" />}>
        <Routes>
          <Route path="/" element={<Arrive />} />
          <Route path="/door" element={<DoorPage />} />
          <Route path="/sign-in" element={<SignInPage />} />
          <Route path="/invitation/:token" element={<InvitationPage />} />
          <Route path="/link/:token" element={<LinkPage />} />
          <Route path="*" element={<Elsewhere />} />
        </Routes>
      </Suspense>
    </BrowserRouter>
  );
}

/** Whoever was here before goes on in the kitchen that was open last; whoever was not sees the door. */
function Arrive() {
  const last = lastKitchen();
  useEffect(() => {
    if (last) location.replace(`${pagesOf(last)}/bench`);
  }, [last]);
  return last ? <main className="alone" aria-busy="true" /> : <DoorPage />;
}

/** An address of before there were several kitchens is one of the kitchen that was open last. */
function Elsewhere() {
  const { pathname, search } = useLocation();
  const last = lastKitchen();
  const known = /^\/(bench|supper|cook|logbook|pantry|practice|sheet)(\/|$)/.test(pathname);
  useEffect(() => {
    if (last && known) location.replace(pagesOf(last) + pathname + search);
  }, [last, known, pathname, search]);
  return last && known ? null : <Navigate to="/door" replace />;
}

function DoorBar() {
  const { t } = useTranslation();
  return (
    <header className="app-bar door-bar">
      <a href="/door" className="wordmark">
        {t("app.name")}
      </a>
      <div className="app-settings">
        <LanguageSelect />
      </div>
    </header>
  );
}
