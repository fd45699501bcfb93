import '../../css/tokens.css';
import '../../css/ticket.css';
import '../../css/base.css';
import '../../css/job.css';
import '../../css/route.css';
import '../../css/house.css';
import '../../css/makeup.css';
import '../../css/glueup.css';
import '../../css/test.css';
import '../../css/record.css';
import '../../css/hang.css';
import '../../css/board.css';
import '../../css/account.css';
import '../../css/guide.css';
import '../../css/start.css';
import '../../css/cut.css';
import '../../css/joints.css';
import '../../css/look.css';
import '../../css/bench.css';
import '../../css/narrow.css';
import '../../css/print.css';
import { t } from '@lingui/core/macro';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Route, Routes } from 'react-router';
import { workWithoutConnection } from './device';
import { Guided } from '../features/guide';
import { SignedIn } from '../features/session';
import { Boundary } from '../shared/Boundary';
import { loaded, loadTheRest } from '../shared/loaded';
import { applyMode } from '../shared/mode';
import { NoPage } from '../shared/NoPage';
import { SkipLink } from '../shared/SkipLink';

const Board = loaded(() => import('../features/board').then((board) => board.Board));
const BenchPage = loaded(() => import('../features/bench').then((bench) => bench.BenchPage));
const CutTicket = loaded(() => import('../features/cut').then((cut) => cut.CutTicket));
const StartsPage = loaded(() => import('../features/start').then((start) => start.StartsPage));
const StartPage = loaded(() => import('../features/start').then((start) => start.StartPage));
const HowToPage = loaded(() => import('../features/start').then((start) => start.HowToPage));
const StartPaper = loaded(() => import('../features/start').then((start) => start.StartPaper));
const SharedPage = loaded(() => import('../features/record').then((record) => record.SharedPage));
const Forgotten = loaded(() => import('../features/entrance').then((entrance) => entrance.Forgotten));
const NewPasswordPage = loaded(() => import('../features/entrance').then((entrance) => entrance.NewPasswordPage));
const Invited = loaded(() => import('../features/entrance').then((entrance) => entrance.Invited));
const SignUp = loaded(() => import('../features/entrance').then((entrance) => entrance.SignUp));
const SignedUp = loaded(() => import('../features/entrance').then((entrance) => entrance.SignedUp));
const NewAddress = loaded(() => import('../features/account').then((account) => account.NewAddress));
const AccountPage = loaded(() => import('../features/account').then((account) => account.AccountPage));
const JobPage = loaded(() => import('../features/job').then((job) => job.JobPage));

/** Where those come in who are not signed in. */
const ENTRANCES = [
    ['/forgotten', Forgotten],
    ['/reset/:token', NewPasswordPage],
    ['/sign-up', SignUp],
    ['/sign-up/:letter', SignedUp],
    ['/invited/:token', Invited],
] as const;

const job = (
    <Boundary name={t`The job`}>
        <JobPage />
    </Boundary>
);
const bench = (
    <Boundary name={t`The bench`}>
        <BenchPage />
    </Boundary>
);

applyMode();
workWithoutConnection();
// What is shown first comes first.
window.addEventListener('load', () => setTimeout(() => void loadTheRest(), 1500));
const client = new QueryClient({
    // Whether there is a connection is seen by what comes of asking: what this device keeps is there without one.
    defaultOptions: {
        queries: { networkMode: 'always', refetchOnReconnect: true },
        mutations: { networkMode: 'always' },
    },
});
const root = document.getElementById('app');
if (root) {
    createRoot(root).render(
        <StrictMode>
            <QueryClientProvider client={client}>
                <BrowserRouter>
                    <SkipLink />
                    <Routes>
                        <Route
                            path="/shared/:token"
                            element={
                                <Boundary name={t`The record`}>
                                    <SharedPage />
                                </Boundary>
                            }
                        />
                        {ENTRANCES.map(([path, Page]) => (
                            <Route
                                key={path}
                                path={path}
                                element={
                                    <Suspense fallback={null}>
                                        <Page />
                                    </Suspense>
                                }
                            />
                        ))}
                        <Route element={<SignedIn />}>
                            <Route element={<Guided />}>
                                <Route
                                    path="/account"
                                    element={
                                        <Boundary name={t`Your account`}>
                                            <AccountPage />
                                        </Boundary>
                                    }
                                />
                                <Route
                                    path="/address/:letter"
                                    element={
                                        <Boundary name={t`Your new address`}>
                                            <NewAddress />
                                        </Boundary>
                                    }
                                />
                                <Route
                                    path="/"
                                    element={
                                        <Boundary name={t`The jobs`}>
                                            <Board />
                                        </Boundary>
                                    }
                                />
                                <Route
                                    path="/how-to/:id"
                                    element={
                                        <Boundary name={t`How to`}>
                                            <HowToPage />
                                        </Boundary>
                                    }
                                />
                                <Route
                                    path="/start"
                                    element={
                                        <Boundary name={t`What is the job?`}>
                                            <StartsPage />
                                        </Boundary>
                                    }
                                />
                                <Route
                                    path="/start/:start"
                                    element={
                                        <Boundary name={t`The start`}>
                                            <StartPage />
                                        </Boundary>
                                    }
                                />
                                <Route
                                    path="/start/:start/paper"
                                    element={
                                        <Boundary name={t`The start on paper`}>
                                            <StartPaper />
                                        </Boundary>
                                    }
                                />
                                <Route path="/jobs/:id" element={job} />
                                <Route path="/jobs/:id/runs/:run" element={job} />
                                <Route path="/jobs/:id/runs/:run/:station" element={job} />
                                <Route
                                    path="/jobs/:id/runs/:run/cut/ticket"
                                    element={
                                        <Boundary name={t`The ticket`}>
                                            <CutTicket />
                                        </Boundary>
                                    }
                                />
                                <Route path="/bench" element={bench} />
                                <Route path="/bench/:tab" element={bench} />
                                <Route path="*" element={<NoPage />} />
                            </Route>
                        </Route>
                    </Routes>
                </BrowserRouter>
            </QueryClientProvider>
        </StrictMode>,
    );
}
