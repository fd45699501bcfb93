import { i18n, type Messages } from '@lingui/core';
import type { TransProps } from '@lingui/react';
import { TransNoContext } from '@lingui/react/server';
import { Fragment, type ReactElement } from 'react';
import british from 'virtual:messages/en-GB';

/** The words and spelling that the interface speaks: American or British. */
export type Locale = 'en-US' | 'en-GB';

const KEY = 'fall-bend words';

// The words of the source are American; British are the few that differ.
const OWN_WORDS: Record<Locale, Messages> = { 'en-US': {}, 'en-GB': british };

/** What was chosen on this device; without a choice, what its browser speaks. */
function localeOfDevice(): Locale {
    if (typeof document === 'undefined') return 'en-US';
    try {
        const chosen = localStorage.getItem(KEY);
        if (chosen === 'en-US' || chosen === 'en-GB') return chosen;
    } catch {
        // Without storage the browser's own language holds.
    }
    return /^en-(?!US|PH)/i.test(navigator.language) ? 'en-GB' : 'en-US';
}

/** Keeps the words for this device, and begins the page anew in them. */
export function speak(locale: Locale): void {
    localStorage.setItem(KEY, locale);
    location.reload();
}

export const currentLocale = (): Locale => i18n.locale as Locale;

/** A time as it is written in the country of the words: `30 Nov 2026`, `Nov 30, 2026`. */
export const timeIn = (iso: string, how: Intl.DateTimeFormatOptions): string =>
    new Intl.DateTimeFormat(i18n.locale, how).format(new Date(iso));

/** The day of a time, with its year. */
export const dayIn = (iso: string): string => timeIn(iso, { day: 'numeric', month: 'short', year: 'numeric' });

type Apart = Exclude<Messages[string], string>;

const taken = new Map<string, Apart>();

// A text stands where it is shown, and is taken apart when it is first shown. What stands in braces is a name and no
// more (a test holds all texts to that), so the whole grammar of messages, 7 kB, need not be loaded.
i18n.setMessagesCompiler((message) => {
    const apart = taken.get(message) ?? message.split(/\{(\w+)\}/).map((part, i) => (i % 2 ? [part] : part));
    taken.set(message, apart);
    return apart;
});
// Here and not in the first screen: whatever holds a text imports this module, so it is set before any text is read.
const locale = localeOfDevice();
i18n.loadAndActivate({ locale, messages: OWN_WORDS[locale] });
if (typeof document !== 'undefined') document.documentElement.lang = locale;

/** A sentence with what stands in it; a name that somebody typed is shown as it is, whatever signs are in it. */
export function Trans({ values, ...props }: TransProps): ReactElement | null {
    const shown = Object.entries(values ?? {}).map(([name, value]: [string, unknown]) => [
        name,
        typeof value === 'string' && value.includes('<') ? <Fragment>{value}</Fragment> : value,
    ]);
    return (
        <TransNoContext
            {...props}
            values={Object.fromEntries(shown) as Record<string, unknown>}
            lingui={{ i18n, defaultComponent: undefined }}
        />
    );
}

export { i18n };
