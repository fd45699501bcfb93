import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { EMPTY, IdentifyPanel, type Evidence } from '../identify';
import { Beside } from '../../shared/Beside';
import { BrandGlyph } from '../../shared/Brand';
import { useTitle } from '../../shared/useTitle';
import { CatalogueTab } from './CatalogueTab';
import { endSeen } from '../identify';
import { InstrumentsTab } from './InstrumentsTab';
import { JoinTab } from './JoinTab';
import { OwnTab } from './OwnTab';

const TABS = [
    ['identify', t`Identify a pipe`, t`string, caliper, print`],
    ['joins', t`What joins them`, t`any two ends`],
    ['catalogue', t`Catalog`, t`pipes, fittings, parts`],
    ['own', t`Ours`, t`our own numbers`],
    ['instruments', t`Instruments`, t`level, laser, gauge`],
] as const;

/** The Bench: single tools beside the jobs. */
export function BenchPage() {
    const { tab = 'identify' } = useParams();
    const navigate = useNavigate();
    const [evidence, setEvidence] = useState<Evidence>(EMPTY('inch'));
    const units = evidence.region === 'uk' ? 'mm' : 'inch';
    useTitle(TABS.find(([key]) => key === tab)?.[1], t`Bench`);
    return (
        <div className="bench">
            <header className="head">
                <Link className="brand" to="/">
                    <BrandGlyph /> {t`Fall Bend`}
                </Link>
                <div className="wide">
                    <span className="cap">{t`Bench`}</span>
                    <b>{TABS.find(([key]) => key === tab)?.[1]}</b>
                </div>
                <div className="fill" />
                <Link className="beside" to="/">
                    {t`Jobs`}
                </Link>
                <Beside />
            </header>
            <nav className="strip bench-strip" aria-label={t`Bench`}>
                {TABS.map(([key, name, what]) => (
                    <Link
                        key={key}
                        to={`/bench/${key}`}
                        className={key === tab ? 'on' : ''}
                        aria-current={key === tab ? 'page' : undefined}
                    >
                        <b>{name}</b>
                        <span>{what}</span>
                    </Link>
                ))}
            </nav>
            <main className="station">
                <h1 className="unseen">
                    {t`Bench:`} {TABS.find(([key]) => key === tab)?.[1]}
                </h1>
                {tab === 'catalogue' ? (
                    <CatalogueTab />
                ) : tab === 'own' ? (
                    <OwnTab />
                ) : tab === 'instruments' ? (
                    <InstrumentsTab />
                ) : tab === 'joins' ? (
                    <JoinTab />
                ) : (
                    <IdentifyPanel
                        evidence={evidence}
                        onChange={setEvidence}
                        units={units}
                        actions={(candidate) => (
                            <button
                                type="button"
                                className="main-act"
                                onClick={() =>
                                    void navigate(
                                        `/bench/joins?${new URLSearchParams({ b: candidate.system, size: candidate.size, end: endSeen(evidence, candidate.ends), units }).toString()}`,
                                    )
                                }
                            >
                                {t`What joins ${candidate.short} to mine`}
                            </button>
                        )}
                    />
                )}
            </main>
        </div>
    );
}
