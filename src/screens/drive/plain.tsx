/** A label and a text that is no plain figure. */
export function Plain({ label, text }: { label: string; text: string }) {
  return (
    <div className="flex items-baseline justify-between gap-3 border-b border-rule/70 py-1">
      <span className="text-soft">{label}</span>
      <b className="text-lead font-semibold">{text}</b>
    </div>
  );
}
