import { useEmptyDocument } from "./use-empty-document";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { Link, Navigate, useNavigate, useParams, useSearchParams } from "react-router";
import { useSettings } from "../kitchen/queries";
import { useTranslation } from "../i18n/use-translation";
import { api, ApiError, type BuildEntry, unwrap } from "../api/client";
import { keyHere } from "../api/here";
import { Bench } from "./bench";
import { BuildsDrawer } from "./builds-drawer";
import { useBuilds, useCreateBuild, useFoods, useVocabulary } from "../editing/queries";
import { Trouble } from "../ui/trouble";
import { UndoBar } from "../ui/undo-bar";

const lastKey = keyHere("last");

/** /bench: the build that was open last, or the newest. */
export function BenchHome() {
  const { t } = useTranslation();
  const builds = useBuilds("");
  const create = useCreateBuild();
  const empty = useEmptyDocument();
  const navigate = useNavigate();
  const settings = useSettings();
  const [params] = useSearchParams();
  const first = params.get("first");
  const begin = (paste: boolean) =>
    create.mutate(empty(), {
      onSuccess: (b) => void navigate(`/bench/${b.id}`, { replace: true, state: { paste } }),
    });
  // A kitchen that was just made goes straight on.
  const begun = useRef(false);
  const ready = first !== null && builds.data?.length === 0 && settings.data !== undefined;
  useEffect(() => {
    if (!ready || begun.current) return;
    begun.current = true;
    begin(first === "paste");
  });
  if (builds.isError) return <Trouble words={t("builds.failed")} onRetry={() => void builds.refetch()} />;
  if (!builds.data) return <Waiting />;
  const last = localStorage.getItem(lastKey);
  const there = builds.data.find((b) => b.id === last) ?? builds.data[0];
  // What is made here is gone to by what made it.
  if (there && create.isIdle) return <Navigate to={`/bench/${there.id}`} replace />;
  return (
    <main className="alone first-step" id="bench">
      <p>{t("emptyKitchen.bench")}</p>
      <div className="first-step-ways">
        <button type="button" className="btn btn-primary" onClick={() => begin(true)}>
          {t("emptyKitchen.paste")}
        </button>
        <button type="button" className="btn btn-straw" onClick={() => begin(false)}>
          {t("emptyKitchen.bowl")}
        </button>
        <Link className="btn btn-straw" to="/compose">
          {t("compose.title")}
        </Link>
      </div>
    </main>
  );
}

/** /bench/:id */
export function BenchPage() {
  const { id = "" } = useParams();
  const { t } = useTranslation();
  const navigate = useNavigate();
  const client = useQueryClient();
  const [drawer, setDrawer] = useState(false);
  const [deleted, setDeleted] = useState<{ id: string; name: string } | null>(null);
  const foods = useFoods();
  const vocabulary = useVocabulary();
  const build = useQuery({
    queryKey: ["build", id],
    queryFn: ({ signal }) => unwrap(api.GET("/builds/{id}", { params: { path: { id } }, signal })),
    retry: (count, error) => error instanceof ApiError && error.temporary && count < 2,
    refetchOnWindowFocus: false,
    staleTime: Infinity,
    gcTime: 0,
  });
  const remove = useMutation({
    mutationFn: (entry: { id: string; name: string }) =>
      unwrap(api.DELETE("/builds/{id}", { params: { path: { id: entry.id } } })),
    onSuccess: async (_, entry) => {
      setDeleted(entry);
      await client.invalidateQueries({ queryKey: ["builds"] });
      if (entry.id === id) {
        const rest = await unwrap(api.GET("/builds"));
        void navigate(rest[0] ? `/bench/${rest[0].id}` : "/bench");
      }
    },
  });
  const restore = useMutation({
    mutationFn: (gone: string) =>
      unwrap(api.POST("/builds/{id}/restore", { params: { path: { id: gone } } })),
    onSuccess: async (b) => {
      setDeleted(null);
      await client.invalidateQueries({ queryKey: ["builds"] });
      if (b.id === id) await build.refetch();
      void navigate(`/bench/${b.id}`);
    },
  });

  const showBuilds = useCallback(() => setDrawer(true), []);
  useEffect(() => {
    if (build.data) localStorage.setItem(lastKey, build.data.id);
  }, [build.data]);

  const failed = build.error ?? foods.error ?? vocabulary.error;
  let content: React.ReactNode;
  if (failed) {
    const gone = failed instanceof ApiError && failed.status === 410;
    const missing = failed instanceof ApiError && (failed.status === 404 || failed.status === 422);
    content = (
      <Trouble
        words={t(gone ? "builds.gone" : missing ? "builds.missing" : "builds.failed")}
        action={gone ? t("builds.bringBack") : missing ? t("app.toBench") : undefined}
        onRetry={() => {
          if (gone) restore.mutate(id);
          else if (missing) {
            localStorage.removeItem(lastKey);
            void navigate("/bench");
          } else {
            void build.refetch();
            void foods.refetch();
            void vocabulary.refetch();
          }
        }}
      />
    );
  } else if (build.data && foods.data && vocabulary.data) {
    content = (
      <Bench
        key={build.data.id}
        build={build.data}
        foods={foods.data}
        vocabulary={vocabulary.data}
        onBuilds={showBuilds}
        onDelete={(name) => remove.mutate({ id, name })}
      />
    );
  } else {
    content = <Waiting />;
  }

  return (
    <>
      {content}
      <BuildsDrawer
        open={drawer}
        current={id}
        onClose={() => setDrawer(false)}
        onDelete={(entry: BuildEntry) => remove.mutate(entry)}
      />
      {deleted && (
        <UndoBar
          name={deleted.name || t("builds.untitled")}
          failed={restore.isError}
          onBringBack={() => restore.mutate(deleted.id)}
          onClose={() => setDeleted(null)}
        />
      )}
    </>
  );
}

function Waiting() {
  const { t } = useTranslation();
  return (
    <main className="bench bench-waiting" aria-busy="true" aria-label={t("app.loading")}>
      <div className="bench-mix" />
      <div className="bench-middle" />
      <div className="bench-side" />
    </main>
  );
}
