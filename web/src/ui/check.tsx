type Props = {
  label: string;
  checked: boolean;
  className?: string;
  onChange: (checked: boolean) => void;
};

/** A tick with its words. */
export function Check({ label, checked, className, onChange }: Props) {
  return (
    <label className={`form-check ${className ?? ""}`}>
      <input
        type="checkbox"
        className="form-check-input"
        checked={checked}
        onChange={(e) => onChange(e.target.checked)}
      />
      {label}
    </label>
  );
}
