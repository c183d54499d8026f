'use client';
import { useVirtualizer, useWindowVirtualizer, type VirtualItem } from '@tanstack/react-virtual';
import { type ReactNode, useEffect, useLayoutEffect, useRef, useState } from 'react';

/** So many stand whole in the page: found by the browser’s own search, printed, walked by Tab. */
const FEW = 250;

interface Props<Item> {
  readonly label: string;
  readonly items: readonly Item[];
  readonly idOf: (item: Item) => string;
  /** px with the gap under it, before it is measured. */
  readonly height: number;
  /** From this width on there are two columns, px. */
  readonly twoFrom: number;
  readonly children: (item: Item) => ReactNode;
}

/** A list of cards. Of a very long one only what is in sight, and a little around it, is in the page. */
export function LongList<Item>(props: Props<Item>) {
  const { label, items, idOf, children, twoFrom } = props;
  const columns = useWide(twoFrom) ? 2 : 1;
  if (items.length > FEW) return <OfMany {...props} columns={columns} />;
  return (
    <ul
      aria-label={label}
      className="mt-1 grid gap-2"
      style={{ gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))` }}
    >
      {items.map((item) => (
        <li key={idOf(item)}>{children(item)}</li>
      ))}
    </ul>
  );
}

/** Whether the window is at least so wide. */
function useWide(px: number): boolean {
  const [wide, setWide] = useState(false);
  useEffect(() => {
    const media = window.matchMedia(`(min-width: ${px}px)`);
    const look = () => setWide(media.matches);
    look();
    media.addEventListener('change', look);
    return () => media.removeEventListener('change', look);
  }, [px]);
  return wide;
}

type Many<Item> = Props<Item> & { readonly columns: number };

/** The page scrolls, or a part of it does: whichever holds the list. */
function OfMany<Item>(props: Many<Item>) {
  const place = useRef<HTMLDivElement>(null);
  const [holder, setHolder] = useState<HTMLElement | 'window' | null>(null);
  useLayoutEffect(() => {
    const look = () => setHolder(scrollHolder(place.current));
    look();
    window.addEventListener('resize', look);
    return () => window.removeEventListener('resize', look);
  }, []);
  return (
    <div ref={place} className="mt-1">
      {holder === 'window' && <InWindow {...props} />}
      {holder !== null && holder !== 'window' && <InPart {...props} holder={holder} />}
    </div>
  );
}

function scrollHolder(from: HTMLElement | null): HTMLElement | 'window' {
  for (let one = from?.parentElement ?? null; one && one !== document.body; one = one.parentElement)
    if (/auto|scroll/.test(getComputedStyle(one).overflowY)) return one;
  return 'window';
}

const AROUND = 12;

function InPart<Item>(props: Many<Item> & { readonly holder: HTMLElement }) {
  const { items, idOf, height, columns, holder } = props;
  const list = useRef<HTMLUListElement>(null);
  const margin = useMargin(list, holder);
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => holder,
    estimateSize: () => height,
    getItemKey: (k) => idOf(items[k]!),
    lanes: columns,
    overscan: AROUND,
    scrollMargin: margin,
  });
  return (
    <Cards
      {...props}
      list={list}
      margin={margin}
      shown={virtual.getVirtualItems()}
      total={virtual.getTotalSize()}
      measure={virtual.measureElement}
    />
  );
}

function InWindow<Item>(props: Many<Item>) {
  const { items, idOf, height, columns } = props;
  const list = useRef<HTMLUListElement>(null);
  const margin = useMargin(list, null);
  const virtual = useWindowVirtualizer({
    count: items.length,
    estimateSize: () => height,
    getItemKey: (k) => idOf(items[k]!),
    lanes: columns,
    overscan: AROUND,
    scrollMargin: margin,
  });
  return (
    <Cards
      {...props}
      list={list}
      margin={margin}
      shown={virtual.getVirtualItems()}
      total={virtual.getTotalSize()}
      measure={virtual.measureElement}
    />
  );
}

/** How far down in what scrolls the list begins, px. */
function useMargin(list: React.RefObject<HTMLElement | null>, holder: HTMLElement | null): number {
  const [margin, setMargin] = useState(0);
  useLayoutEffect(() => {
    const top = list.current?.getBoundingClientRect().top;
    if (top === undefined) return;
    setMargin(Math.round(holder ? top - holder.getBoundingClientRect().top + holder.scrollTop : top + window.scrollY));
  }, [list, holder]);
  return margin;
}

function Cards<Item>({
  label,
  items,
  idOf,
  children,
  columns,
  list,
  margin,
  shown,
  total,
  measure,
}: Many<Item> & {
  readonly list: React.RefObject<HTMLUListElement | null>;
  readonly margin: number;
  readonly shown: readonly VirtualItem[];
  readonly total: number;
  readonly measure: (element: HTMLElement | null) => void;
}) {
  return (
    <ul ref={list} aria-label={label} className="relative" style={{ height: total }}>
      {shown.map(({ index, start, lane }) => {
        const item = items[index];
        return item === undefined ? null : (
          <li
            key={idOf(item)}
            ref={measure}
            data-index={index}
            aria-setsize={items.length}
            aria-posinset={index + 1}
            className="absolute top-0 pb-2"
            style={{
              transform: `translateY(${start - margin}px)`,
              left: `${(lane * 100) / columns}%`,
              width: `calc(${100 / columns}% - ${lane < columns - 1 ? 8 : 0}px)`,
            }}
          >
            {children(item)}
          </li>
        );
      })}
    </ul>
  );
}
