import { useEffect, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import { ApiError, type PracticeSitting } from "../api/client";
import { useFoods, useVocabulary } from "../editing/queries";
import { useTranslation } from "../i18n/use-translation";
import { Trouble } from "../ui/trouble";
import { UndoBar } from "../ui/undo-bar";
import { Eye } from "./eye";
import { People } from "./people";
import { PracticeHome } from "./practice-home";
import {
  keepPersonHere,
  personHere,
  useBeginPractice,
  useEndPractice,
  usePractice,
  useSavePerson,
  type Wish,
} from "./queries";
import { SittingView } from "./sitting-view";

/** A sitting that was left so long ago is not gone on with unasked. */
const fresh = 2 * 3600 * 1000;

/** /practice: an eye and a hand for it. */
export default function PracticePage() {
  const { t } = useTranslation();
  const [person, setPerson] = useState(personHere);
  const [search, setSearch] = useSearchParams();
  const practice = usePractice(person);
  const foods = useFoods();
  const vocabulary = useVocabulary();
  const begin = useBeginPractice(person);
  const end = useEndPractice();
  const save = useSavePerson();
  const [open, setOpen] = useState<PracticeSitting>();
  const [now] = useState(() => Date.now());
  const [gone, setGone] = useState<{ id: string; name: string }>();
  const asked = useRef<string>(undefined);
  const choose = (id: string) => {
    keepPersonHere(id);
    setPerson(id);
    setOpen(undefined);
  };
  const start = (wish: Wish) => begin.mutate(wish, { onSuccess: setOpen });

  // Whoever the kitchen does not know (another kitchen's, on this device) is nobody here.
  const nobody = practice.error instanceof ApiError && practice.error.status === 404 && person !== "";
  if (nobody) setPerson("");

  // From the Logbook: a sitting on one try.
  const about = search.get("try") ?? undefined;
  const mutate = begin.mutate;
  useEffect(() => {
    if (!about || asked.current === about) return;
    asked.current = about;
    mutate({ try: about }, { onSuccess: setOpen, onSettled: () => setSearch({}, { replace: true }) });
  }, [about, mutate, setSearch]);

  const page = practice.data;
  if ((practice.isError && !page && !nobody) || foods.isError || vocabulary.isError)
    return (
      <Trouble
        words={t("practice.failed")}
        onRetry={() => void Promise.all([practice.refetch(), foods.refetch(), vocabulary.refetch()])}
      />
    );
  if (!page || !foods.data || !vocabulary.data || (about && begin.isPending))
    return <main className="alone" aria-busy="true" aria-label={t("app.loading")} />;

  const left = page.sitting;
  const young = left && now - Date.parse(left.began_at) < fresh && left.person === page.person;
  // What runs stays on the page until it is left, whatever is read anew meanwhile.
  if (!open && young) setOpen(left);
  const running = open;
  return (
    <main className={`practice ${running ? "practice-runs" : ""}`} id="bench">
      {running ? (
        <SittingView
          key={running.id}
          sitting={running}
          foods={foods.data}
          vocabulary={vocabulary.data}
          onEnd={() =>
            end.mutate(running.id, {
              onSettled: () => setOpen(undefined),
            })
          }
          onAnother={() => start({})}
        />
      ) : (
        <PracticeHome
          page={page}
          foods={foods.data}
          vocabulary={vocabulary.data}
          left={left}
          beginning={begin.isPending}
          failed={begin.error}
          onBegin={(kind) => start({ kind })}
          onGoOn={() => setOpen(left)}
        />
      )}
      <Eye eye={page.eye}>
        <People
          page={page}
          onChoose={choose}
          onGone={(p) => {
            setGone({ ...p, name: p.name || t("practice.you") });
            choose("");
          }}
        />
      </Eye>
      {gone && (
        <UndoBar
          name={gone.name}
          failed={save.isError}
          onBringBack={() =>
            save.mutate(
              { id: gone.id, name: gone.name === t("practice.you") ? "" : gone.name },
              {
                onSuccess: () => {
                  choose(gone.id);
                  setGone(undefined);
                },
              },
            )
          }
          onClose={() => setGone(undefined)}
        />
      )}
    </main>
  );
}
