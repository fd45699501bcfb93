import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { evaluateRun } from '../../api/queries';
import type { JobDocument } from '../../api/types';
import { putTogether, type Piece } from '../../editing';

interface Props {
    job: string;
    mine: JobDocument;
    theirs: JobDocument;
    pieces: Piece[];
    /** whose the other state is */
    who: string;
    onChosen: (document: JobDocument) => void;
}

type Chosen = 'mine' | 'theirs';

/** Both states of a job piece by piece: what one of them changed is chosen beforehand, what both did is not. */
export function SideBySide({ job, mine, theirs, pieces, who, onChosen }: Props) {
    const [chosen, setChosen] = useState<Record<string, Chosen>>(() =>
        Object.fromEntries(pieces.flatMap(({ key, by }) => (by === 'both' ? [] : [[key, by]]))),
    );
    const open = pieces.filter(({ key }) => chosen[key] === undefined).length;
    return (
        <>
            <ul className="side-by-side">
                {pieces.map((piece) => (
                    <li key={piece.key}>
                        <fieldset>
                            <legend>{nameOf(piece, mine, theirs)}</legend>
                            {(['mine', 'theirs'] as const).map((whose) => (
                                <label key={whose}>
                                    <input
                                        type="radio"
                                        name={piece.key}
                                        checked={chosen[piece.key] === whose}
                                        onChange={() => setChosen({ ...chosen, [piece.key]: whose })}
                                    />
                                    <span className="cap">{whose === 'mine' ? t`Mine` : t`Of ${who}`}</span>
                                    <Words
                                        {...{ job, piece }}
                                        document={whose === 'mine' ? mine : theirs}
                                        whose={whose}
                                    />
                                </label>
                            ))}
                        </fieldset>
                    </li>
                ))}
            </ul>
            <button
                type="button"
                className="main-act"
                disabled={open > 0}
                onClick={() =>
                    onChosen(
                        putTogether(
                            theirs,
                            pieces.filter(({ key }) => chosen[key] === 'mine'),
                        ),
                    )
                }
            >
                {open > 0 ? t`Choose ${open} more` : t`Put them together so`}
            </button>
        </>
    );
}

/** What a piece is, in one of the states: the way of a run as it is called out, anything else as it is written. */
function Words({ job, piece, document, whose }: { job: string; piece: Piece; document: JobDocument; whose: Chosen }) {
    const value = piece[whose];
    const run = runOf(piece);
    const isWay = run !== null && (piece.at.length === 2 || piece.at[2] === 'legs') && value !== undefined;
    const said = useQuery({
        queryKey: ['side', job, run, whose, document],
        queryFn: async ({ signal }) => {
            const read = await evaluateRun({ job, document }, run ?? '', signal);
            return read.ok ? (read.data?.call_out ?? '') : '';
        },
        enabled: isWay,
        retry: false,
    });
    if (value === undefined) return <b>{t`not there`}</b>;
    return <b>{isWay && said.data ? said.data : written(value)}</b>;
}

const runOf = ({ at }: Piece): string | null => {
    const [list, thing] = at;
    return list === 'runs' && typeof thing === 'object' ? thing.key : null;
};

/** How a piece is called: by the name of its run, and what of that it is. */
function nameOf(piece: Piece, mine: JobDocument, theirs: JobDocument): string {
    const run = runOf(piece);
    const [list = '', , field] = piece.at.map((step) => (typeof step === 'string' ? step : step.key));
    const thing = piece.at[1];
    if (run !== null) {
        const name = [...mine.runs, ...theirs.runs].find((one) => one.id === run)?.name ?? run;
        return field === undefined ? t`${name}: the whole run` : `${name}: ${FIELDS[field] ?? plain(field)}`;
    }
    const what = FIELDS[list] ?? plain(list);
    return typeof thing === 'object' ? `${what}: ${thing.key}` : what;
}

const FIELDS: Record<string, string> = {
    legs: t`its way`,
    outlet: t`where it begins`,
    tie_in: t`where it ends`,
    size: t`its size`,
    system: t`its pipe`,
    name: t`its name`,
    place: t`where it is`,
    obstacles: t`what is gone through`,
    standing: t`a standing pipe`,
    single_joints: t`a single joint`,
    hanging: t`how it is hung`,
    moves: t`a move`,
    overrides: t`numbers of our own`,
    building: t`the building`,
    rulebook: t`the book`,
    units: t`inches or millimeters`,
};

const plain = (step: string): string => step.replaceAll('_', ' ');

/** A value as it is written, short: texts and numbers as they are, of things their fields. */
function written(value: unknown): string {
    if (Array.isArray(value)) return value.map(written).join('; ');
    if (typeof value !== 'object' || value === null) return String(value);
    return Object.entries(value)
        .filter(([name]) => !['id', 'marks', 'next_leg'].includes(name))
        .map(([name, one]) => `${plain(name)} ${written(one)}`)
        .join(', ');
}
