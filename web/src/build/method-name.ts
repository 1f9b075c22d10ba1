import { useVocabulary } from "../editing/queries";
import { useTranslation } from "../i18n/use-translation";

/** Says how a piece is cooked, "in a pan": the names come with the methods, each a row of the server's. */
export function useMethodName() {
  const { i18n } = useTranslation();
  const methods = useVocabulary().data?.methods;
  return (method: string | undefined): string => {
    const names = methods?.find((m) => m.method === (method ?? "pan"))?.names;
    return names?.[i18n.language] ?? names?.en ?? "";
  };
}
