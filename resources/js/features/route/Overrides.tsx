import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { RunReport } from '../../api/types';
import type { JobEditor } from '../../editing';
import { smallInWords } from '../../shared/lengths';

const FIELDS: Record<string, string> = {
    take_off_mm: t`center to stop`,
    spigot_mm: t`center to spigot`,
    outlet_mm: t`center to stop of the outlet`,
    run_in_mm: t`up the run, to the stop`,
    run_out_mm: t`down the run, to the stop`,
    branch_mm: t`along the branch, to the stop`,
    stop_mm: 'stop',
    offset_mm: t`stop to stop`,
    length_mm: 'length',
    body_mm: t`stop to face`,
};

type Override = NonNullable<NonNullable<JobEditor['document']['overrides']>['catalogue']>[number];

interface Props {
    editor: JobEditor;
    run: RunReport;
}

/** What was measured in place of the catalogue's: of this run's fittings, and behind a tap of all else in the job. */
export function Overrides({ editor, run }: Props) {
    const all = editor.document.overrides?.catalogue ?? [];
    if (all.length === 0) return null;
    const nameHere = (override: Override): string | null => {
        const fitting = run.fittings.find((one) => one.row === override.row && one.source.table === override.table);
        return fitting ? `${fitting.size} ${fitting.name}` : null;
    };
    const [here, elsewhere] = [
        all.filter((one) => nameHere(one) !== null),
        all.filter((one) => nameHere(one) === null),
    ];
    const line = (override: Override, name: string) => (
        <p key={`${override.table} ${override.row} ${override.field}`}>
            <Trans>
                {name}, {FIELDS[override.field] ?? override.field}:{' '}
                {smallInWords(override.value, editor.evaluation.units)}, yours.
            </Trans>{' '}
            <button
                type="button"
                className="plain small"
                onClick={() =>
                    editor.change((old) => ({
                        ...old,
                        overrides: { ...old.overrides, catalogue: all.filter((one) => one !== override) },
                    }))
                }
            >
                {t`Back to the catalog`}
            </button>
        </p>
    );
    return (
        <div className="f measured">
            <span className="tagp">✓</span>
            <div>
                <b>{t`Measured by you`}</b>
                {here.map((override) => line(override, nameHere(override) ?? ''))}
                {elsewhere.length > 0 && (
                    <details>
                        <summary>
                            {here.length > 0
                                ? t`${elsewhere.length} more in this job`
                                : t`${elsewhere.length} in this job`}
                        </summary>
                        {elsewhere.map((override) => line(override, named(override)))}
                    </details>
                )}
            </div>
        </div>
    );
}

/** What is measured, as far as its row tells: `male-adapter/1-1/2` is a 1-1/2 male adapter. */
function named({ row }: Override): string {
    const at = row.indexOf('/');
    return at < 0 ? row : `${row.slice(at + 1).replace('x', ' × ')} ${row.slice(0, at).replaceAll('-', ' ')}`;
}
