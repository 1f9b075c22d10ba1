import { useTranslation } from "../i18n/use-translation";

type Props = {
  /** The one thing to do, which the space bar does too; none where the card is its choices. */
  go?: { label: string; onGo: () => void };
  onBack?: () => void;
  /** What else can be done. */
  children?: React.ReactNode;
};

/** The foot of a card: what is done with a tap, what else, and back. */
export function CardActions({ go, onBack, children }: Props) {
  const { t } = useTranslation();
  return (
    <div className="cook-actions">
      {go && (
        <button type="button" data-space className="btn btn-primary cook-go" onClick={go.onGo}>
          {go.label}
        </button>
      )}
      {children}
      {onBack && <Also onDo={onBack}>{t("cook.back")}</Also>}
    </div>
  );
}

type AlsoProps = { onDo: () => void; straw?: boolean; space?: boolean; children: React.ReactNode };

/** Something else that can be done; by the space bar, where nothing else is. */
export function Also({ onDo, straw = false, space, children }: AlsoProps) {
  return (
    <button
      type="button"
      data-space={space}
      className={`btn ${straw ? "btn-straw" : "btn-quiet"} cook-also`}
      onClick={onDo}
    >
      {children}
    </button>
  );
}
