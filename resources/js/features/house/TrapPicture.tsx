import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { armQuery, sealQuery } from '../../api/queries';
import type {
    Evaluation,
    Finding,
    FixtureReport,
    RunReport,
    TrapArmInput,
    TrapSealInput,
    TrapSealOutput,
    Units,
} from '../../api/types';
import { ArmSection } from '../../drawing/trap/ArmSection';
import { SealCurve } from '../../drawing/trap/SealCurve';
import { flowInWords, litresInWords } from '../../shared/quantities';
import { Shape } from '../../shared/Shape';
import { lengthInWords } from '../../shared/lengths';
import { RestsOn } from '../../shared/SourceTap';

const CLOSET =
    t`A water closet siphons itself by design and refills its own seal;` +
    ' ' +
    t`the book limits only how far it stands from its vent, in the table beside.`;

const isVented = (arm: FixtureReport['arm']): boolean => arm?.vent !== 'none' && arm?.vent !== 'not-known';

/**
 * The long section of one arm at true proportion: weir, water, vent opening; what happens as it gets longer or steeper;
 * and what one discharge does to the seal.
 */
export function TrapPicture({
    fixture,
    evaluation,
    onOpen,
}: {
    fixture: FixtureReport;
    evaluation: Evaluation;
    onOpen: (run: string) => void;
}) {
    const arm = fixture.arm;
    const run = evaluation.runs.find((one) => one.id === fixture.run);
    const [length, setLength] = useState(arm?.length.mm ?? 1000);
    const [fall, setFall] = useState(Math.max(0, arm?.fall_mm_per_m ?? 20));
    const [vent, setVent] = useState<Vent>(isVented(arm) ? 'open' : 'none');
    const at = { length, fall };
    const verdict = useQuery(armQuery(run ? armQuestion(fixture, run, evaluation, at) : null)).data;
    const discharge = fixture.discharge;
    const bore = arm?.bore_mm ?? 40;
    const seal = arm?.seal_mm ?? null;
    const seen = useQuery(sealQuery(sealQuestion(fixture, evaluation, at, vent))).data;
    if (fixture.kind === 'water-closet') return <p className="none">{CLOSET}</p>;
    if (!arm || !verdict || seal === null) return <p className="none">{t`This trap has no arm to draw.`}</p>;
    return (
        <div className="trap-picture">
            <h2>
                {t`${fixture.name}: trap to vent`}{' '}
                <button type="button" className="plain small" onClick={() => onOpen(fixture.run)}>
                    {t`Open its run`}
                </button>
            </h2>
            <ArmSection
                boreMm={bore}
                lengthMm={length}
                fallMmPerM={fall}
                sealMm={seal}
                mostMm={verdict.most_mm}
                leastMm={verdict.least_mm}
                vented={isVented(arm)}
                units={evaluation.units}
            />
            <p className="say">
                {verdict.opening_above_weir_mm > 0 ? (
                    <>
                        <Trans>
                            At rest the water stands at the weir. At the vent the top of the pipe is still above that
                            level, so air comes over the water while it runs.
                        </Trans>
                    </>
                ) : (
                    <>
                        <Trans>
                            At the vent the whole pipe lies below the weir. When it runs full no air comes in, and the
                            falling water draws the seal after it: that is what the limit stands for.
                        </Trans>
                    </>
                )}
            </p>
            <Sliders
                longest={Math.max(4000, (arm.length.mm || 1000) * 2)}
                length={length}
                fall={fall}
                onLength={setLength}
                onFall={setFall}
                onReset={() => {
                    setLength(arm.length.mm);
                    setFall(Math.max(0, arm.fall_mm_per_m ?? 20));
                }}
            />
            <ArmVerdict findings={verdict.findings} />
            {discharge && seen && (
                <OneDischarge
                    discharge={discharge}
                    seen={seen}
                    seal={seal}
                    vent={vent}
                    onVent={setVent}
                    units={evaluation.units}
                />
            )}
            <RestsOn
                sources={[
                    ...verdict.sources,
                    ...(seen?.sources ?? []),
                    ...(discharge ? [discharge.source, discharge.volume_source] : []),
                ]}
            />
        </div>
    );
}

type Vent = 'none' | 'open' | 'valve';

interface At {
    length: number;
    fall: number;
}

function armQuestion(
    { arm, kind }: FixtureReport,
    run: RunReport,
    evaluation: Evaluation,
    at: At,
): TrapArmInput | null {
    return arm && arm.size !== ''
        ? {
              system: run.system.key,
              size: arm.size,
              length_mm: Math.max(1, at.length),
              fall_mm_per_m: at.fall,
              rulebook: evaluation.rulebook.id as TrapArmInput['rulebook'],
              fixture: kind as TrapArmInput['fixture'],
          }
        : null;
}

function sealQuestion(
    { arm, discharge }: FixtureReport,
    evaluation: Evaluation,
    at: At,
    vent: Vent,
): TrapSealInput | null {
    if (!arm || !discharge || arm.seal_mm === null) return null;
    const bore = arm.bore_mm ?? 40;
    return {
        bore_mm: bore,
        fall_mm_per_m: at.fall,
        length_mm: Math.max(1, at.length + Math.max(0, arm.end_mm - arm.length.mm)),
        seal_mm: arm.seal_mm,
        flow_l_per_s: discharge.l_per_s,
        volume_l: discharge.litres,
        vent,
        ...(vent === 'none'
            ? {}
            : {
                  vent_at_mm: at.length,
                  vent_bore_mm: arm.vent_bore_mm ?? bore,
                  vent_length_mm: arm.vent_length_mm ?? 0,
              }),
        rulebook: evaluation.rulebook.id as TrapSealInput['rulebook'],
    };
}

interface SliderProps extends At {
    longest: number;
    onLength: (mm: number) => void;
    onFall: (mmPerM: number) => void;
    onReset: () => void;
}

/** As it would be longer, or steeper. */
function Sliders({ longest, length, fall, onLength, onFall, onReset }: SliderProps) {
    return (
        <div className="sliders">
            <label>
                <span>{t`Longer`}</span>
                <input
                    type="range"
                    min={50}
                    max={longest}
                    step={10}
                    value={length}
                    onChange={(event) => onLength(Number(event.target.value))}
                />
            </label>
            <label>
                <span>{t`Steeper`}</span>
                <input
                    type="range"
                    min={0}
                    max={120}
                    step={1}
                    value={fall}
                    onChange={(event) => onFall(Number(event.target.value))}
                />
            </label>
            <button type="button" className="plain small" onClick={onReset}>
                {t`As it is`}
            </button>
        </div>
    );
}

function ArmVerdict({ findings }: { findings: Finding[] }) {
    return findings.length === 0 ? (
        <p className="verdict">
            <Shape kind="done" size={18} /> {t`Within the book at this length and fall.`}
        </p>
    ) : (
        findings.map((finding) => (
            <p key={finding.rule} className="verdict">
                <Shape kind={finding.severity} size={18} /> <b>{finding.title}</b>. {finding.why}
            </p>
        ))
    );
}

interface DischargeProps {
    discharge: NonNullable<FixtureReport['discharge']>;
    seen: TrapSealOutput;
    seal: number;
    vent: Vent;
    onVent: (vent: Vent) => void;
    units: Units;
}

/** What one discharge does to the seal, simulated. */
function OneDischarge({ discharge, seen, seal, vent, onVent, units }: DischargeProps) {
    const said = (mm: number): string => lengthInWords(mm, units);
    return (
        <>
            <h3>{t`What one discharge does to the seal`}</h3>
            <div className="chips" role="group" aria-label={t`Vent`}>
                {(['none', 'open', 'valve'] as const).map((one) => (
                    <button
                        key={one}
                        type="button"
                        className={vent === one ? 'chip on' : 'chip'}
                        aria-pressed={vent === one}
                        onClick={() => onVent(one)}
                    >
                        {one === 'none' ? t`no vent` : one === 'open' ? t`open vent` : t`air valve`}
                    </button>
                ))}
            </div>
            <SealCurve result={seen} sealMm={seal} units={units} />
            <p className="say">
                {seen.broken
                    ? t`Air breaks through under the dip: the trap is open to the drain.`
                    : t`About ${said(seen.seal_left_mm)} of ${said(seal)} of seal are left; suction reaches `}
                {!seen.broken && t`${said(seen.most_suction_mm)} of water.`}
                {seen.least_mm !== null && t` At least ${said(seen.least_mm)} have to stay.`}
            </p>
            <p className="cap">
                <Trans>
                    A simulation with an assumed discharge ({flowInWords(discharge.l_per_s, units)} at first,{' '}
                    {litresInWords(discharge.litres, units)} in all): one fixture, one branch, no stack, no other
                    fixtures. It explains; it proves nothing.
                </Trans>
            </p>
        </>
    );
}
