import { t } from '@lingui/core/macro';
import type { Pending } from '../../editing';

/** What kind of thing is said of the site, in a few words. */
const KINDS: Record<Pending['kind'], string> = {
    cut: t`a cut`,
    printed: t`a ticket printed`,
    level: t`a level measured`,
    measured: t`a length measured`,
    'dry-fit': t`a dry fit`,
    joint: t`a joint made`,
    seen: t`a joint looked at`,
    trouble: t`trouble with a joint`,
    'cut-out': t`a joint cut out`,
    'test-begun': t`a test begun`,
    reading: t`a reading`,
    'test-ended': t`a test ended`,
    walk: t`a walk round`,
    check: t`a check`,
    located: t`a joint located`,
    services: t`services located`,
    photograph: t`a picture`,
    signed: t`a signature`,
    note: t`a note`,
    'taken-back': t`something taken back`,
};

/** What waits to be sent, so that whoever said it knows it again: `a joint made: 3`, `a note: the stub is oval`. */
export function entryInWords(one: Pending): string {
    const what = one.joint ?? one.piece ?? one.note ?? '';
    const kind = KINDS[one.kind];
    return what === '' ? kind : `${kind}: ${String(what).slice(0, 80)}`;
}
