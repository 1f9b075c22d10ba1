import { keyHere } from "../api/here";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Navigate, useLocation, useNavigate, useParams } from "react-router";
import { api, ApiError, unwrap } from "../api/client";
import { useFoods, useSuppers, useVocabulary } from "../editing/queries";
import { useTranslation } from "../i18n/use-translation";
import { Icon } from "../ui/icon";
import { Trouble } from "../ui/trouble";
import { UndoBar } from "../ui/undo-bar";
import { useCreateSupper, useRestoreSupper } from "./queries";
import { Supper } from "./supper";

const lastKey = keyHere("last-supper");

/** /supper: the supper that was open last, or the newest. */
export function SupperHome() {
  const { t } = useTranslation();
  const suppers = useSuppers();
  const create = useCreateSupper();
  const navigate = useNavigate();
  const { deleted } = (useLocation().state ?? {}) as { deleted?: { id: string; name: string } };
  const restore = useRestoreSupper();
  if (suppers.isError) return <Trouble words={t("supper.failed")} onRetry={() => void suppers.refetch()} />;
  if (!suppers.data) return <Waiting />;
  const last = localStorage.getItem(lastKey);
  const there = suppers.data.find((s) => s.id === last) ?? suppers.data[0];
  if (there) return <Navigate to={`/supper/${there.id}`} replace />;
  return (
    <main className="alone">
      <p>{t("emptyKitchen.supper")}</p>
      <button
        type="button"
        className="btn btn-primary"
        disabled={create.isPending}
        onClick={() => create.mutate(undefined, { onSuccess: (s) => void navigate(`/supper/${s.id}`) })}
      >
        <Icon name="plus" /> {t("supper.new")}
      </button>
      {create.isError && <p role="alert">{t("supper.failed")}</p>}
      {deleted && (
        <UndoBar
          name={deleted.name || t("supper.untitled")}
          failed={restore.isError}
          onBringBack={() =>
            restore.mutate(deleted.id, { onSuccess: (s) => void navigate(`/supper/${s.id}`) })
          }
          onClose={() => void navigate("/supper", { replace: true })}
        />
      )}
    </main>
  );
}

/** /supper/:id */
export function SupperPage() {
  const { id = "" } = useParams();
  const { t, i18n } = useTranslation();
  const navigate = useNavigate();
  const client = useQueryClient();
  const foods = useFoods();
  const vocabulary = useVocabulary();
  const [deleted, setDeleted] = useState<{ id: string; name: string }>();
  const supper = useQuery({
    queryKey: ["supper", id, i18n.language],
    queryFn: ({ signal }) => unwrap(api.GET("/suppers/{id}", { params: { path: { id } }, signal })),
    retry: (count, error) => error instanceof ApiError && error.temporary && count < 2,
    refetchOnWindowFocus: false,
    staleTime: Infinity,
    gcTime: 0,
  });
  const remove = useMutation({
    mutationFn: (gone: { id: string; name: string }) =>
      unwrap(api.DELETE("/suppers/{id}", { params: { path: { id: gone.id } } })),
    onSuccess: async (_, gone) => {
      setDeleted(gone);
      await client.invalidateQueries({ queryKey: ["suppers"] });
      const rest = await unwrap(api.GET("/suppers"));
      // Where none is left another page is shown, which offers to bring this one back.
      void navigate(rest[0] ? `/supper/${rest[0].id}` : "/supper", { state: { deleted: gone } });
    },
  });
  const restore = useRestoreSupper();
  const bringBack = (gone: string) =>
    restore.mutate(gone, {
      onSuccess: async (s) => {
        setDeleted(undefined);
        if (s.id === id) await supper.refetch();
        void navigate(`/supper/${s.id}`);
      },
    });
  useEffect(() => {
    if (supper.data) localStorage.setItem(lastKey, supper.data.id);
  }, [supper.data]);

  const failed = supper.error ?? foods.error ?? vocabulary.error;
  let content: React.ReactNode = <Waiting />;
  if (failed) {
    const gone = failed instanceof ApiError && failed.status === 410;
    const missing = failed instanceof ApiError && (failed.status === 404 || failed.status === 422);
    content = (
      <Trouble
        words={t(gone ? "supper.gone" : missing ? "supper.missing" : "supper.failed")}
        action={gone ? t("builds.bringBack") : missing ? t("supper.toSupper") : undefined}
        onRetry={() => {
          if (gone) bringBack(id);
          else if (missing) {
            localStorage.removeItem(lastKey);
            void navigate("/supper");
          } else {
            void supper.refetch();
            void foods.refetch();
            void vocabulary.refetch();
          }
        }}
      />
    );
  } else if (supper.data && foods.data && vocabulary.data) {
    content = (
      <Supper
        key={`${supper.data.id} ${i18n.language}`}
        supper={supper.data}
        foods={foods.data}
        vocabulary={vocabulary.data}
        onDelete={(name) => remove.mutate({ id, name })}
      />
    );
  }
  return (
    <>
      {content}
      {deleted && (
        <UndoBar
          name={deleted.name || t("supper.untitled")}
          failed={restore.isError}
          onBringBack={() => bringBack(deleted.id)}
          onClose={() => setDeleted(undefined)}
        />
      )}
    </>
  );
}

function Waiting() {
  const { t } = useTranslation();
  return (
    <main className="bench bench-waiting" aria-busy="true" aria-label={t("app.loading")}>
      <div />
      <div />
      <div />
    </main>
  );
}
