import { t } from '@lingui/core/macro';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { Evaluation, JobDocument, Units } from '../../api/types';
import type { JobEditor } from '../../editing';
import { readOr } from '../../shared/formLength';
import { formText } from '../../shared/formText';
import { LengthField } from '../../shared/LengthField';
import { saidLength } from '../../shared/lengths';
import { Problem } from '../../shared/Problem';
import { degreesRead, degreesSaid } from '../../shared/quantities';
import { Shape } from '../../shared/Shape';
import { SourceTap } from '../../shared/SourceTap';
import { YesNoChoice } from '../../shared/YesNoChoice';

type Said = NonNullable<JobDocument['building']>;
type Fact = Evaluation['building'][number]['fact'];

const YES_NO: Record<Exclude<Fact, 'storeys' | 'coldest_c' | 'snow_mm'>, string> = {
    one_family: t`It is the house of one family`,
    roof_used: t`Its roof is walked or sat on`,
    drain_ventilated: t`Its drain is open to the air at the head`,
    whole: t`This job has all of its vents`,
    renovation: t`The work renews what stands in it`,
};

const isYesNo = (fact: Fact): fact is keyof typeof YES_NO => fact in YES_NO;

const NUMBERS: Partial<Record<Fact, (units: Units) => string>> = {
    storeys: () => t`Stories`,
    coldest_c: (units) => t`Design temperature of the heating (${units === 'inch' ? '°F' : '°C'})`,
};

/** What the job's book asks of the building, once: each with the clause that asks. What is not said is not known. */
export function Building({ editor }: { editor: JobEditor }) {
    const { building, units } = editor.evaluation;
    const said: Said = editor.document.building ?? {};
    const [problem, setProblem] = useState<string | null>(null);
    const open = building.filter((one) => said[one.fact] === undefined).length;
    if (building.length === 0) return null;
    const keep = async (form: FormData): Promise<void> => {
        const read = await readBuilding(form, building, said, units);
        setProblem(typeof read === 'string' ? read : null);
        if (typeof read !== 'string') editor.change((document) => ({ ...document, building: read }));
    };
    return (
        <details className="other-book of-building">
            <summary>
                {open > 0 && <Shape kind="unknown" size={16} />}
                {t`What the book asks of the building`} <span className="cap">{t`${open} not said`}</span>
            </summary>
            <Form
                key={JSON.stringify(said)}
                onSubmit={(event) => {
                    event.preventDefault();
                    void keep(new FormData(event.currentTarget));
                }}
            >
                {building.map(({ fact, source }) => (
                    <div key={fact} className="asked-fact">
                        <FactField fact={fact} said={said} units={units} />
                        <SourceTap source={source}>{source.source}</SourceTap>
                    </div>
                ))}
                <button type="submit" className="plain">
                    {t`It is so`}
                </button>
                <Problem text={problem} />
            </Form>
        </details>
    );
}

function FactField({ fact, said, units }: { fact: Fact; said: Said; units: Units }) {
    const id = `building-${fact}`;
    if (isYesNo(fact)) return <YesNoChoice id={id} name={fact} label={YES_NO[fact]} said={said[fact]} />;
    if (fact === 'snow_mm')
        return (
            <LengthField
                id={id}
                name={fact}
                label={t`Snow on its roof, at most`}
                units={units}
                start={said.snow_mm === undefined ? '' : saidLength(said.snow_mm, units)}
            />
        );
    return (
        <Form.Group controlId={id}>
            <Form.Label>{NUMBERS[fact]?.(units)}</Form.Label>
            <Form.Control name={fact} defaultValue={startOf(fact, said, units)} autoComplete="off" />
        </Form.Group>
    );
}

function startOf(fact: Fact, said: Said, units: Units): string {
    if (fact === 'coldest_c') return said.coldest_c === undefined ? '' : degreesSaid(said.coldest_c, units);
    return said.storeys === undefined ? '' : String(said.storeys);
}

/** Reads what was said of the building; gives what is wrong with it where it cannot be. What is not asked for stays. */
export async function readBuilding(
    form: FormData,
    asked: Evaluation['building'],
    before: Said,
    units: Units,
): Promise<Said | string> {
    const said: Said = { ...before };
    for (const { fact } of asked) {
        const text = formText(form, fact).trim();
        if (text === '') {
            delete said[fact];
        } else if (fact === 'snow_mm') {
            const mm = await readOr(text, before.snow_mm, units);
            if (mm === null || mm < 0) return t`How deep the snow lies: a length, or nothing.`;
            said.snow_mm = mm;
        } else if (fact === 'coldest_c') {
            const celsius = degreesRead(text, units);
            if (celsius === null || celsius > 40) return t`How cold it gets: a number of degrees, or nothing.`;
            said.coldest_c = celsius;
        } else if (fact === 'storeys') {
            const storeys = Number(text);
            if (!Number.isInteger(storeys) || storeys < 1 || storeys > 200)
                return t`How many stories it has: a whole number from 1 to 200, or nothing.`;
            said.storeys = storeys;
        } else {
            said[fact] = text === 'yes';
        }
    }
    return said;
}
