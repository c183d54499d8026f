'use client';
import { type ReactNode, useId } from 'react';
import { useForm } from 'react-hook-form';

/** Why it was not taken, in words; null: it was, and the line is as it began. */
type Answer = string | null;
type Take = (text: string) => Answer | Promise<Answer>;

/**
 * One line to type and what is done with it: by Enter, or by the button beside it. What is refused is said at the field, and what was typed
 * stays.
 */
export function LineForm({
  label,
  placeholder,
  most = 120,
  start = '',
  digits = false,
  focus = false,
  off = false,
  refuse,
  onTake,
  onLeave,
  button,
  beside,
  below,
}: {
  /** Read out for the field; it has no room for a label of its own. */
  label: string;
  placeholder?: string;
  /** Longest text. */
  most?: number;
  start?: string;
  /** A code of digits: their keys on a telephone, and nothing proposed. */
  digits?: boolean;
  /** The field appeared because somebody asked for it. */
  focus?: boolean;
  /** Nothing can be taken just now. */
  off?: boolean;
  /** Why this text can't be taken; null: it can. */
  refuse?: (text: string) => string | null;
  onTake: Take;
  /** Esc. */
  onLeave?: () => void;
  /** What the button says. */
  button: string;
  /** More buttons, which take the line in another way. */
  beside?: (take: (how: Take) => void) => ReactNode;
  /** More that is done with what is typed, if anything. */
  below?: (typed: () => string) => ReactNode;
}) {
  const id = useId();
  const {
    register,
    getValues,
    handleSubmit,
    reset,
    setError,
    formState: { errors },
  } = useForm<{ text: string }>({ defaultValues: { text: start }, reValidateMode: 'onSubmit' });
  const take = (how: Take) =>
    handleSubmit(async ({ text }) => {
      const why = await how(text.trim());
      if (why) setError('text', { message: why });
      else reset({ text: start });
    });
  return (
    <form onSubmit={(event) => void take(onTake)(event)} noValidate>
      <div className="flex flex-wrap items-center gap-2">
        <input
          {...register('text', { validate: (text) => refuse?.(text.trim()) ?? true })}
          aria-label={label}
          aria-invalid={errors.text !== undefined}
          aria-describedby={errors.text ? `${id}-why` : undefined}
          placeholder={placeholder}
          maxLength={most}
          autoComplete="off"
          inputMode={digits ? 'numeric' : undefined}
          // biome-ignore lint/a11y/noAutofocus: only where the field appears because the person asked for it
          autoFocus={focus}
          onKeyDown={(event) => event.key === 'Escape' && onLeave?.()}
          className="min-h-10 min-w-0 flex-1 rounded-[3px] border border-rule bg-panel px-3 py-1.5"
        />
        <button
          type="submit"
          disabled={off}
          className="min-h-10 rounded-[3px] border-[1.5px] border-ink px-4 py-1.5 font-tight font-semibold disabled:opacity-40"
        >
          {button}
        </button>
        {beside?.((how) => void take(how)())}
      </div>
      {errors.text?.message && (
        <p id={`${id}-why`} role="alert" className="mt-1 text-small text-fails">
          {errors.text.message}
        </p>
      )}
      {below?.(() => getValues('text').trim())}
    </form>
  );
}
