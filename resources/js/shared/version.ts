import { t } from '@lingui/core/macro';
/** The version of the application that served this page. */
export const versionServed = (): string =>
    document.querySelector<HTMLMetaElement>('meta[name="version"]')?.content ?? t`not known`;
