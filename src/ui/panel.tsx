'use client';
import { TriangleAlert, X } from 'lucide-react';
import { type ReactNode, useEffect, useRef } from 'react';
import { useEscape } from './use-escape';

export function Panel({
  title,
  about,
  children,
  className = '',
  onClose,
}: {
  title?: ReactNode;
  about?: ReactNode;
  children: ReactNode;
  className?: string;
  /** Given: it was opened by choosing something, and closes by its cross or Esc. */
  onClose?: () => void;
}) {
  useEscape(onClose ?? null);
  return (
    <section className={`min-w-0 rounded-[3px] border border-rule bg-panel p-4 max-[500px]:px-3 ${className}`}>
      {title && (
        <div className="mb-2 flex items-start gap-2">
          <h2 className="min-w-0 flex-1 font-tight text-lead font-semibold leading-tight">
            {title}
            {about && <span className="ml-2 font-medium text-body text-soft">{about}</span>}
          </h2>
          {onClose && (
            <button
              type="button"
              onClick={onClose}
              aria-label="Close"
              className="-mt-2 -mr-2 flex size-10 shrink-0 items-center justify-center rounded-[3px] text-soft hover:text-ink"
            >
              <X size={18} aria-hidden="true" />
            </button>
          )}
        </div>
      )}
      {children}
    </section>
  );
}

/** What was opened by choosing it comes into sight, also where the screen is small. */
export function InSight({ of, children }: { of: string; children: ReactNode }) {
  const place = useRef<HTMLDivElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each newly chosen thing, not each render.
  useEffect(() => {
    place.current?.scrollIntoView({ block: 'nearest' });
  }, [of]);
  return <div ref={place}>{children}</div>;
}

/** A caution beside what is dangerous: what happens and what to do. */
export function Caution({ children }: { children: ReactNode }) {
  return (
    <aside className="flex items-start gap-3 rounded-[3px] border-[1.5px] border-ink bg-panel p-3 text-small">
      <TriangleAlert size={26} strokeWidth={1.8} aria-hidden="true" className="mt-0.5 shrink-0" />
      <div>{children}</div>
    </aside>
  );
}
