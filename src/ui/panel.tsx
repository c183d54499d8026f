import type { ReactNode } from 'react';

export function Panel({
  title,
  about,
  children,
  className = '',
}: {
  title?: ReactNode;
  about?: ReactNode;
  children: ReactNode;
  className?: string;
}) {
  return (
    <section className={`rounded-[3px] border border-rule bg-panel p-4 ${className}`}>
      {title && (
        <h2 className="mb-2 font-tight text-[18px] font-semibold leading-tight">
          {title}
          {about && <span className="ml-2 font-medium text-[15px] text-soft">{about}</span>}
        </h2>
      )}
      {children}
    </section>
  );
}

/** A caution beside what is dangerous: what happens and what to do. */
export function Caution({ children }: { children: ReactNode }) {
  return (
    <aside className="flex items-start gap-3 rounded-[3px] border-[1.5px] border-ink bg-panel p-3 text-[14px]">
      <svg viewBox="0 0 28 26" width="28" height="26" aria-hidden="true" className="mt-0.5 shrink-0">
        <path d="M14 2 27 24H1Z" fill="none" stroke="currentColor" strokeWidth="2" strokeLinejoin="round" />
        <path d="M14 10v6M14 19v2" stroke="currentColor" strokeWidth="2.4" />
      </svg>
      <div>{children}</div>
    </aside>
  );
}
