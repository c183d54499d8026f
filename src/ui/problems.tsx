/** Why something was refused: where, why and what to do, one line each. Text is shown as text. */
export function Problems({
  title,
  problems,
}: {
  title: string;
  problems: readonly { readonly path: string; readonly reason: string; readonly remedy: string }[];
}) {
  return (
    <div role="alert" className="border-l-[3px] border-fails bg-panel p-3">
      <p className="font-semibold">{title}</p>
      <ul className="mt-1 max-h-[40vh] space-y-1 overflow-y-auto text-small">
        {problems.map(({ path, reason, remedy }) => (
          <li key={`${path} ${reason}`} className="break-words">
            <span className="font-semibold">{path}</span> {reason} <span className="text-soft">{remedy}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
