import { t } from '@lingui/core/macro';
import { useEffect, useState } from 'react';
import type { JointCard, JointMethod, Units } from '../../api/types';
import { JointSection } from '../../drawing/joint/JointSection';
import { Said } from '../../drawing/Said';
import { Shape } from '../../shared/Shape';
import { RestsOn, SourceTap } from '../../shared/SourceTap';
import { useSize } from '../../shared/useSize';
import { waterInWords } from './times';

/**
 * The card to make a joint by: its section, what is marked and tightened, and one step after another, followed with one
 * thumb.
 */
export function StepCard({
    card,
    method,
    units,
    onBack,
    onMade = null,
}: {
    card: JointCard;
    method: JointMethod;
    units: Units;
    onBack: () => void;
    /** what the last step comes to where it is followed on site; null: it is only read */
    onMade?: (() => void) | null;
}) {
    const [step, setStep] = useState(0);
    const [box, size] = useSize();
    useEffect(() => setStep(0), [method.method, card.key]);
    useEffect(() => {
        document.querySelector('.step.now')?.scrollIntoView({ block: 'nearest' });
    }, [step]);
    if (!card.a || !card.b) return null;
    return (
        <section className="step-card" aria-label={t`How to make it: ${method.name}`} ref={box}>
            <header>
                {card.mark !== null && <span className="tagj big">{card.mark}</span>}
                <div>
                    <h2>{card.name}</h2>
                    <p className="cap">
                        {method.name}, {method.maker_name}
                    </p>
                </div>
            </header>
            {size.width > 0 && (
                <JointSection
                    a={card.a}
                    b={card.b}
                    method={method}
                    units={units}
                    width={Math.min(560, Math.max(300, size.width))}
                    height={290}
                    letter={card.piece}
                />
            )}
            <Facts card={card} method={method} units={units} />
            <Steps method={method} step={step} onStep={setStep} />
            <RestsOn sources={card.sources} />
            <p className="cap pad">{t`The local code and the licensed plumber decide.`}</p>
            <div className="step-acts">
                <button type="button" onClick={() => (step === 0 ? onBack() : setStep(step - 1))}>
                    {step === 0 ? t`‹ Back` : t`‹ Step ${step}`}
                </button>
                <button
                    type="button"
                    className="main-act"
                    onClick={() => (step + 1 < method.steps.length ? setStep(step + 1) : (onMade ?? onBack)())}
                >
                    {step + 1 < method.steps.length
                        ? t`Done, next: ${method.steps[step + 1]?.do ?? ''}`
                        : onMade
                          ? t`It is made`
                          : t`All done`}
                </button>
            </div>
        </section>
    );
}

/** What is marked, what stays between the ends, what is tightened or waited for; each with its source. */
function Facts({ card, method, units }: { card: JointCard; method: JointMethod; units: Units }) {
    if (!card.b) return null;
    const insert = [method.insert_a, method.insert_b].find((tape) => tape && tape.mm > 0);
    // What the numbers rest on: the part that holds both ends, or the socket that the pipe goes into.
    const source = method.parts[0]?.source ?? card.b.source;
    const clock = card.sources.find((one) => one.table === 'cements' && one.row === 'cure');
    const torque =
        units === 'inch'
            ? method.torque_in_lb && `${method.torque_in_lb} in·lb`
            : method.torque_nm && `${method.torque_nm.toFixed(1)} N·m`;
    return (
        <dl className="step-facts">
            <div>
                <dt>{t`mark the pipe at`}</dt>
                <dd className="mk">
                    <SourceTap source={method.family === 'cement' ? card.b.source : source}>
                        {insert ? <Said tape={insert} units={units} unit /> : t`measure it`}
                    </SourceTap>
                </dd>
            </div>
            <div>
                <dt>{t`between the ends`}</dt>
                <dd>
                    <SourceTap source={source}>
                        {method.gap ? <Said tape={method.gap} units={units} unit /> : t`measure it`}
                    </SourceTap>
                </dd>
            </div>
            <div>
                <dt>{torque ? t`each band, as printed` : t`first water`}</dt>
                <dd>
                    <SourceTap source={torque ? source : (clock ?? source)}>{torque || waterInWords(method)}</SourceTap>
                </dd>
            </div>
        </dl>
    );
}

interface StepsProps {
    method: JointMethod;
    step: number;
    onStep: (step: number) => void;
}

function Steps({ method, step, onStep }: StepsProps) {
    return (
        <ol className="steps">
            {method.steps.map((one, i) => (
                <li
                    key={one.id}
                    className={i === step ? 'step now' : i < step ? 'step done' : 'step'}
                    aria-current={i === step ? 'step' : undefined}
                >
                    <button type="button" onClick={() => onStep(i)}>
                        {i < step ? <Shape kind="done" size={22} /> : <span className="n">{i + 1}</span>}
                        <span>
                            <b>{one.do}</b>
                            {i === step && <span className="say">{one.say}</span>}
                            {i === step && one.tools.length > 0 && (
                                <span className="cap">{t`Tools: ${one.tools.join(', ')}`}</span>
                            )}
                        </span>
                    </button>
                    {i === step && one.caution && (
                        <p className="caution">
                            <Shape kind="warn" size={24} /> {one.caution}
                        </p>
                    )}
                </li>
            ))}
        </ol>
    );
}
