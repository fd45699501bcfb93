import { t } from '@lingui/core/macro';
import { useState, type ReactNode } from 'react';
import Form from 'react-bootstrap/Form';
import type { JobDocument, JobRun, Units } from '../../api/types';
import { Choice } from '../../shared/Choice';
import { LengthField } from '../../shared/LengthField';
import { saidLength } from '../../shared/lengths';
import { pairs, useChoices } from '../../shared/useChoices';
import { YesNoChoice } from '../../shared/YesNoChoice';
import { placeOf, variantsOf } from './ends';

type Side = 'outlet' | 'tie_in';

interface Props {
    side: Side;
    plan: JobRun | undefined;
    document: JobDocument;
    units: Units;
}

/**
 * How an end of a run is received, and what belongs to that: the fixture with its trap, the place on another run, the
 * open end.
 */
export function EndFields({ side, plan, document, units }: Props) {
    const choices = useChoices();
    const end = plan?.[side];
    const start = end?.kind === 'standing' ? `standing:${end.standing ?? ''}` : (end?.kind ?? 'socket');
    const [kind, setKind] = useState(start);
    const standing = (document.standing ?? []).map((pipe): [string, string] => [
        `standing:${pipe.id}`,
        t`joined to: ${pipe.name}`,
    ]);
    const others = document.runs.filter((run) => run.id !== plan?.id);
    const id = side === 'outlet' ? 'run-outlet' : 'run-tie-in';
    const length: LengthOf = (name, label, mm, help) => (
        <LengthField
            key={name}
            id={`${id}-${name}`}
            name={`${side}_${name}`}
            label={label}
            units={units}
            start={mm === undefined ? '' : saidLength(mm, units)}
            {...(help ? { help } : {})}
        />
    );
    return (
        <>
            <Form.Group controlId={`${id}-kind`}>
                <Form.Label>{side === 'outlet' ? t`The pipe is received there by` : t`Received there by`}</Form.Label>
                <Form.Select name={`${side}_kind`} value={kind} onChange={(event) => setKind(event.target.value)}>
                    {[...pairs(side === 'outlet' ? choices.outlets : choices.tie_ins), ...standing].map(
                        ([value, text]) => (
                            <option key={value} value={value}>
                                {text}
                            </option>
                        ),
                    )}
                </Form.Select>
            </Form.Group>
            {kind === 'fixture' && <FixtureFields plan={plan} id={id} length={length} rulebook={document.rulebook} />}
            {kind === 'branch' && (
                <BranchFields side={side} end={end} id={id} others={others} document={document} length={length} />
            )}
            {kind === 'run' && side === 'tie_in' && (
                <fieldset className="whole run-form end-more">
                    <Choice
                        id={`${id}-next`}
                        name="next"
                        label={t`Goes on into`}
                        start={plan?.tie_in.run}
                        options={others.map((run) => [run.id, run.name])}
                    />
                </fieldset>
            )}
            {(kind === 'roof' || kind === 'valve') && (
                <fieldset className="whole run-form end-more">
                    {length('roof', t`Above the roof`, end?.terminal?.above_roof_mm)}
                    {length('away', t`From the nearest window or inlet`, end?.terminal?.opening_away_mm)}
                    {length('below', t`Top of that opening below the end`, end?.terminal?.opening_below_mm)}
                </fieldset>
            )}
        </>
    );
}

/** A length of the end: its name, what it is called, how long it is so far. */
type LengthOf = (name: string, label: string, mm: number | undefined, help?: string) => ReactNode;

interface FixtureProps {
    plan: JobRun | undefined;
    id: string;
    length: LengthOf;
    rulebook: string;
}

/** What keeps the seal of a fixture, or keeps waste from running back into it. */
const GUARDS: Record<string, [string, string][]> = {
    'floor-drain': [
        ['primer', t`a trap primer`],
        ['waste-fed', t`waste of another fixture`],
        ['barrier', t`a barrier in the trap`],
        ['none', t`nothing, or topping up by hand`],
    ],
    dishwasher: [
        ['air-gap', t`an air gap`],
        ['high-loop', t`a high loop of its hose`],
        ['none', t`nothing`],
    ],
};

/** The fixture with its trap; where the book counts some of its kind otherwise, which one it is. */
function FixtureFields({ plan, id, length, rulebook }: FixtureProps) {
    const choices = useChoices();
    const fixture = plan?.outlet.fixture;
    const [kind, setKind] = useState<string>(fixture?.kind ?? choices.fixtures[0]?.key ?? '');
    const variants = variantsOf(choices, kind, rulebook, fixture?.kind === kind ? fixture.variant : undefined);
    const guards = GUARDS[kind] ?? [];
    return (
        <fieldset className="whole run-form end-more">
            <Choice
                id={`${id}-fixture`}
                name="fixture"
                label={t`Fixture`}
                start={fixture?.kind}
                options={pairs(choices.fixtures)}
                onChange={setKind}
            />
            {variants.length > 0 && (
                <Choice
                    key={kind}
                    id={`${id}-variant`}
                    name="variant"
                    label={t`Which one`}
                    start={fixture?.kind === kind ? (fixture.variant ?? '') : ''}
                    options={[['', t`the usual one`], ...variants]}
                />
            )}
            {guards.length > 0 && (
                <Choice
                    key={`guard ${kind}`}
                    id={`${id}-guard`}
                    name="guard"
                    label={kind === 'floor-drain' ? t`What keeps its seal` : t`What keeps waste from running back`}
                    start={fixture?.kind === kind ? (fixture.guard ?? '') : ''}
                    options={[['', t`not known`], ...guards]}
                />
            )}
            {kind === 'kitchen-sink' && (
                <YesNoChoice id={`${id}-disposer`} name="disposer" label={t`Disposer`} said={fixture?.disposer} />
            )}
            <Choice
                id={`${id}-trap`}
                name="trap"
                label={t`Trap`}
                start={fixture?.trap}
                options={pairs(choices.traps)}
            />
            {length('seal', t`Seal`, fixture?.seal_mm)}
            {length(
                'rim',
                t`Flood rim above the start of the run`,
                fixture?.rim_mm,
                t`how high its vent must rise depends on it`,
            )}
            {length('drop', t`Fixture outlet down to the weir`, fixture?.drop_mm)}
            {length('across', t`Fixture outlet across to the trap`, fixture?.across_mm)}
            {length('standpipe', t`Standpipe above the weir, of a washer`, fixture?.standpipe_mm)}
            {length('floor', t`Trap above the floor, of a washer`, fixture?.trap_above_floor_mm)}
            <Form.Group controlId={`${id}-group`}>
                <Form.Label>{t`Bathroom, kitchen or laundry that it belongs to`}</Form.Label>
                <Form.Control
                    name="group"
                    maxLength={40}
                    defaultValue={fixture?.group ?? ''}
                    placeholder={t`upstairs`}
                />
            </Form.Group>
        </fieldset>
    );
}

interface BranchProps {
    side: Side;
    end: JobRun['outlet'] | JobRun['tie_in'] | undefined;
    id: string;
    others: JobRun[];
    document: JobDocument;
    length: LengthOf;
}

/** The place on another run. */
function BranchFields({ side, end, id, others, document, length }: BranchProps) {
    const choices = useChoices();
    const place = end?.branch ? placeOf(end.branch, document) : null;
    return (
        <fieldset className="whole run-form end-more">
            <Choice
                id={`${id}-run`}
                name={`${side}_run`}
                label={t`Run`}
                start={end?.branch?.run}
                options={others.map((run) => [run.id, run.name])}
            />
            {length('along', t`How far along it, from its start`, place?.alongMm, t`leave empty for the turn below`)}
            <Form.Group controlId={`${id}-turn`}>
                <Form.Label>{t`or in the turn into its leg`}</Form.Label>
                <Form.Control name={`${side}_turn`} type="number" min={2} defaultValue={place?.turn ?? ''} />
            </Form.Group>
            <Choice
                id={`${id}-pattern`}
                name={`${side}_pattern`}
                label={t`Branch fitting`}
                start={end?.branch?.pattern ?? ''}
                options={[['', t`what suits`], ...pairs(choices.patterns)]}
            />
        </fieldset>
    );
}
