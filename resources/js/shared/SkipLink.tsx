import { t } from '@lingui/core/macro';
/** The first thing that Tab reaches: past the head of the page to what it is about. */
export function SkipLink() {
    return (
        <a
            className="skip"
            href="#content"
            onClick={(event) => {
                event.preventDefault();
                const main = document.querySelector('main');
                main?.setAttribute('tabindex', '-1');
                main?.focus();
            }}
        >
            {t`To the content`}
        </a>
    );
}
