'use client';
import { useVirtualizer, useWindowVirtualizer, type Virtualizer } from '@tanstack/react-virtual';
import { type ReactNode, useLayoutEffect, useRef, useState } from 'react';
import { useMedia } from './use-media';

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
  const columns = useMedia(`(min-width: ${twoFrom}px)`) ? 2 : 1;
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
  const { holder } = props;
  const list = useRef<HTMLUListElement>(null);
  const margin = useMargin(list, holder);
  const virtual = useVirtualizer({ ...optionsOf(props, margin), getScrollElement: () => holder });
  return <Cards {...props} list={list} margin={margin} virtual={virtual} />;
}

function InWindow<Item>(props: Many<Item>) {
  const list = useRef<HTMLUListElement>(null);
  const margin = useMargin(list, null);
  const virtual = useWindowVirtualizer(optionsOf(props, margin));
  return <Cards {...props} list={list} margin={margin} virtual={virtual} />;
}

const optionsOf = <Item,>({ items, idOf, height, columns }: Many<Item>, scrollMargin: number) => ({
  count: items.length,
  estimateSize: () => height,
  getItemKey: (k: number) => idOf(items[k]!),
  lanes: columns,
  overscan: AROUND,
  scrollMargin,
});

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
  virtual,
}: Many<Item> & {
  readonly list: React.RefObject<HTMLUListElement | null>;
  readonly margin: number;
  readonly virtual: Virtualizer<HTMLElement, Element> | Virtualizer<Window, Element>;
}) {
  return (
    <ul ref={list} aria-label={label} className="relative" style={{ height: virtual.getTotalSize() }}>
      {virtual.getVirtualItems().map(({ index, start, lane }) => {
        const item = items[index];
        return item === undefined ? null : (
          <li
            key={idOf(item)}
            ref={virtual.measureElement}
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
