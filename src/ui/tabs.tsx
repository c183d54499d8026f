'use client';

/** What one sheet can show, one at a time. */
export function Tabs<Id extends string>({
  label,
  tabs,
  chosen,
  onChoose,
}: {
  label: string;
  tabs: readonly (readonly [Id, string])[];
  chosen: Id;
  onChoose: (id: Id) => void;
}) {
  return (
    <div role="tablist" aria-label={label} className="mb-3 flex flex-wrap gap-1 border-b border-rule print:hidden">
      {tabs.map(([id, words]) => (
        <button
          key={id}
          type="button"
          role="tab"
          aria-selected={chosen === id}
          onClick={() => onChoose(id)}
          className={`px-3 py-2 font-tight text-[16px] ${chosen === id ? '-mb-px border-b-[3px] border-ink font-semibold' : 'text-soft'}`}
        >
          {words}
        </button>
      ))}
    </div>
  );
}
