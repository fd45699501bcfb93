import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { armQuery, sealQuery } from '../../api/queries';
import type { Evaluation, FixtureReport, TrapArmInput, TrapSealInput } from '../../api/types';
import { ArmSection } from '../../drawing/trap/ArmSection';
import { SealCurve } from '../../drawing/trap/SealCurve';
import { Shape } from '../../shared/Shape';
import { RestsOn } from '../../shared/SourceTap';

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
    const [vent, setVent] = useState<'none' | 'open' | 'valve'>(arm?.vent === 'none' ? 'none' : 'open');
    const armInput: TrapArmInput | null =
        run && arm && arm.size !== ''
            ? {
                  system: run.system.key,
                  size: arm.size,
                  length_mm: Math.max(1, length),
                  fall_mm_per_m: fall,
                  rulebook: evaluation.rulebook.id as TrapArmInput['rulebook'],
                  fixture: fixture.kind as TrapArmInput['fixture'],
              }
            : null;
    const verdict = useQuery(armQuery(armInput)).data;
    const discharge = fixture.discharge;
    const bore = arm?.bore_mm ?? 40;
    const seal = arm?.seal_mm ?? null;
    const sealInput: TrapSealInput | null =
        arm && discharge && seal !== null
            ? {
                  bore_mm: bore,
                  fall_mm_per_m: fall,
                  length_mm: Math.max(1, length + Math.max(0, arm.end_mm - arm.length.mm)),
                  seal_mm: seal,
                  flow_l_per_s: discharge.l_per_s,
                  volume_l: discharge.litres,
                  vent,
                  ...(vent === 'none'
                      ? {}
                      : {
                            vent_at_mm: length,
                            vent_bore_mm: arm.vent_bore_mm ?? bore,
                            vent_length_mm: arm.vent_length_mm ?? 0,
                        }),
                  rulebook: evaluation.rulebook.id as TrapSealInput['rulebook'],
              }
            : null;
    const seen = useQuery(sealQuery(sealInput)).data;
    if (fixture.kind === 'water-closet')
        return (
            <p className="none">
                A closet siphons itself by design and refills its own seal; the book limits only how far it stands from
                its vent, in the table beside.
            </p>
        );
    if (!arm || !verdict || seal === null) return <p className="none">This trap has no arm to draw.</p>;
    return (
        <div className="trap-picture">
            <h2>
                {fixture.name}: trap to vent{' '}
                <button type="button" className="plain small" onClick={() => onOpen(fixture.run)}>
                    Open its run
                </button>
            </h2>
            <ArmSection
                boreMm={bore}
                lengthMm={length}
                fallMmPerM={fall}
                sealMm={seal}
                mostMm={verdict.most_mm}
                leastMm={verdict.least_mm}
                vented={arm.vent !== 'none'}
                units={evaluation.units}
            />
            <p className="say">
                {verdict.opening_above_weir_mm > 0
                    ? 'At rest the water stands at the weir. At the vent the top of the pipe is still above that level, so air comes over the water while it runs.'
                    : 'At the vent the whole pipe lies below the weir. When it runs full no air comes in, and the falling water draws the seal after it: that is what the limit stands for.'}
            </p>
            <div className="sliders">
                <label>
                    <span>Longer</span>
                    <input
                        type="range"
                        min={50}
                        max={Math.max(4000, (arm.length.mm || 1000) * 2)}
                        step={10}
                        value={length}
                        onChange={(event) => setLength(Number(event.target.value))}
                    />
                </label>
                <label>
                    <span>Steeper</span>
                    <input
                        type="range"
                        min={0}
                        max={120}
                        step={1}
                        value={fall}
                        onChange={(event) => setFall(Number(event.target.value))}
                    />
                </label>
                <button
                    type="button"
                    className="plain small"
                    onClick={() => {
                        setLength(arm.length.mm);
                        setFall(Math.max(0, arm.fall_mm_per_m ?? 20));
                    }}
                >
                    As it is
                </button>
            </div>
            {verdict.findings.length === 0 ? (
                <p className="verdict">
                    <Shape kind="done" size={18} /> Within the book at this length and fall.
                </p>
            ) : (
                verdict.findings.map((finding) => (
                    <p key={finding.rule} className="verdict">
                        <Shape kind={finding.severity} size={18} /> <b>{finding.title}</b>. {finding.why}
                    </p>
                ))
            )}
            {discharge && seen && (
                <>
                    <h3>What one discharge does to the seal</h3>
                    <div className="chips" role="group" aria-label="Vent">
                        {(['none', 'open', 'valve'] as const).map((one) => (
                            <button
                                key={one}
                                type="button"
                                className={vent === one ? 'chip on' : 'chip'}
                                aria-pressed={vent === one}
                                onClick={() => setVent(one)}
                            >
                                {one === 'none' ? 'no vent' : one === 'open' ? 'open vent' : 'air valve'}
                            </button>
                        ))}
                    </div>
                    <SealCurve result={seen} sealMm={seal} />
                    <p className="say">
                        {seen.broken
                            ? 'Air breaks through under the dip: the trap is open to the drain.'
                            : `About ${Math.round(seen.seal_left_mm)} of ${seal} mm of seal are left; suction reaches ${Math.round(seen.most_suction_mm)} mm of water.`}
                        {seen.least_mm !== null && ` At least ${Math.round(seen.least_mm)} mm have to stay.`}
                    </p>
                    <p className="cap">
                        A simulation with an assumed discharge ({discharge.l_per_s} l/s at first, {discharge.litres} l
                        in all): one fixture, one branch, no stack, no other fixtures. It explains; it proves nothing.
                        Equations: docs/trap-seal.md.
                    </p>
                </>
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
