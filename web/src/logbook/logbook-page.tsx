import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import { useFoods, useVocabulary } from "../editing/queries";
import { useTranslation } from "../i18n/use-translation";
import { WriteDialog } from "../tries/write-dialog";
import { Trouble } from "../ui/trouble";
import { TriesUndo } from "./tries-undo";
import { LearnedPanel } from "./learned-panel";
import { TryList } from "./try-list";
import { TryView } from "./try-view";

/** /logbook and /logbook/:id: the tries, one of them, and what they taught. */
export default function LogbookPage() {
  const { t } = useTranslation();
  const { id } = useParams();
  const navigate = useNavigate();
  const foods = useFoods();
  const vocabulary = useVocabulary();
  const [writing, setWriting] = useState(false);
  const [deleted, setDeleted] = useState<{ id: string; name: string }>();
  if (foods.isError || vocabulary.isError)
    return (
      <Trouble
        words={t("logbook.failed")}
        onRetry={() => void Promise.all([foods.refetch(), vocabulary.refetch()])}
      />
    );
  if (!foods.data || !vocabulary.data)
    return <main className="alone" aria-busy="true" aria-label={t("app.loading")} />;
  return (
    <main className={`logbook ${id ? "logbook-one" : ""}`} id="bench">
      <TryList chosen={id} onWrite={() => setWriting(true)} />
      <TryView
        id={id}
        foods={foods.data}
        vocabulary={vocabulary.data}
        onDeleted={(gone) => {
          setDeleted(gone);
          void navigate("/logbook");
        }}
      />
      <LearnedPanel foods={foods.data} />
      {writing && (
        <WriteDialog onClose={() => setWriting(false)} onKept={(kept) => void navigate(`/logbook/${kept}`)} />
      )}
      {deleted && <TriesUndo deleted={deleted} onClose={() => setDeleted(undefined)} />}
    </main>
  );
}
