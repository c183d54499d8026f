'use client';
import { type ReactNode, useRef } from 'react';

const LOOKS = {
  plain: 'min-h-8 border border-rule px-3 py-1',
  strong: 'bg-strong px-4 py-2 text-lead font-semibold text-strong-ink',
  outline: 'border-[1.5px] border-ink px-4 py-2 text-lead font-semibold',
  quiet: 'min-h-8 px-2 py-1 text-small underline-offset-4 hover:underline',
} as const;

interface Look {
  readonly look?: keyof typeof LOOKS;
  readonly children: ReactNode;
}

export function Action({
  look = 'plain',
  children,
  onPress,
  disabled = false,
  label,
  onAsk,
}: Look & {
  onPress: () => void;
  disabled?: boolean;
  /** Said to screen readers when the words alone are not enough. */
  label?: string;
  /** When the hand is on it: what a press will need can be made ready. */
  onAsk?: () => void;
}) {
  return (
    <button
      type="button"
      onClick={onPress}
      disabled={disabled}
      {...(onAsk ? { onPointerEnter: onAsk, onFocus: onAsk } : {})}
      {...(label ? { 'aria-label': label } : {})}
      className={`rounded-[3px] font-tight disabled:opacity-40 ${LOOKS[look]}`}
    >
      {children}
    </button>
  );
}

/** A button that asks for a file. The same file can be chosen twice. */
export function FileAction({
  look = 'plain',
  children,
  accept,
  label,
  onFile,
  onAsk,
}: Look & {
  accept: string;
  label: string;
  onFile: (file: File) => void;
  /** When the person begins to look for a file. */
  onAsk?: () => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    // What is hidden stays where it belongs: it must not make the page taller than the window.
    <span className="relative">
      <Action
        look={look}
        onPress={() => {
          input.current?.click();
          onAsk?.();
        }}
      >
        {children}
      </Action>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        tabIndex={-1}
        className="sr-only"
        onChange={(event) => {
          const file = event.currentTarget.files?.[0];
          event.currentTarget.value = '';
          if (file) onFile(file);
        }}
      />
    </span>
  );
}

/** Hands text to the person as a file. */
export const download = (text: string, name: string, type: string): void => offer(new Blob([text], { type }), name);

/** Hands anything to the person as a file. */
export function offer(content: Blob, name: string): void {
  const url = URL.createObjectURL(content);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

/** The decimal mark that this browser's language writes. */
export const decimalMark = (): '.' | ',' => ((1.5).toLocaleString().includes(',') ? ',' : '.');
