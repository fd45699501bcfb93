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
    ['identify', 'Identify a pipe', 'string, calliper, print'],
    ['joins', 'What joins them', 'any two ends'],
    ['catalogue', 'Catalogue', 'pipes, fittings, parts'],
    ['own', 'Ours', 'our own numbers'],
    ['instruments', 'Instruments', 'level, laser, gauge'],
] as const;

/** The Bench: single tools beside the jobs. */
export function BenchPage() {
    const { tab = 'identify' } = useParams();
    const navigate = useNavigate();
    const [evidence, setEvidence] = useState<Evidence>(EMPTY('inch'));
    const units = evidence.region === 'uk' ? 'mm' : 'inch';
    useTitle(TABS.find(([key]) => key === tab)?.[1], 'Bench');
    return (
        <div className="bench">
            <header className="head">
                <Link className="brand" to="/">
                    <BrandGlyph /> Fall Bend
                </Link>
                <div className="wide">
                    <span className="cap">Bench</span>
                    <b>{TABS.find(([key]) => key === tab)?.[1]}</b>
                </div>
                <div className="fill" />
                <Link className="beside" to="/">
                    Jobs
                </Link>
                <Beside />
            </header>
            <nav className="strip bench-strip" aria-label="Bench">
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
                <h1 className="unseen">Bench: {TABS.find(([key]) => key === tab)?.[1]}</h1>
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
                                What joins {candidate.short} to mine
                            </button>
                        )}
                    />
                )}
            </main>
        </div>
    );
}
