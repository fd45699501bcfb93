import '../../css/tokens.css';
import '../../css/ticket.css';
import '../../css/base.css';
import '../../css/job.css';
import '../../css/route.css';
import '../../css/house.css';
import '../../css/makeup.css';
import '../../css/hang.css';
import '../../css/board.css';
import '../../css/cut.css';
import '../../css/joints.css';
import '../../css/look.css';
import '../../css/bench.css';
import '../../css/narrow.css';
import '../../css/print.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import { BenchPage } from '../features/bench';
import { Board } from '../features/board';
import { CutTicket } from '../features/cut';
import { JobPage } from '../features/job';
import { SignedIn } from '../features/session';
import { ToCome } from '../features/tocome';
import { applyMode } from '../shared/mode';

applyMode();
const client = new QueryClient();
const root = document.getElementById('app');
if (root) {
    createRoot(root).render(
        <StrictMode>
            <QueryClientProvider client={client}>
                <BrowserRouter>
                    <Routes>
                        <Route element={<SignedIn />}>
                            <Route path="/" element={<Board />} />
                            <Route path="/jobs/:id" element={<JobPage />} />
                            <Route path="/jobs/:id/runs/:run" element={<JobPage />} />
                            <Route path="/jobs/:id/runs/:run/:station" element={<JobPage />} />
                            <Route path="/jobs/:id/runs/:run/cut/ticket" element={<CutTicket />} />
                            <Route path="/bench" element={<BenchPage />} />
                            <Route path="/bench/:tab" element={<BenchPage />} />
                            <Route path="/practice" element={<ToCome />} />
                            <Route path="*" element={<Navigate to="/" replace />} />
                        </Route>
                    </Routes>
                </BrowserRouter>
            </QueryClientProvider>
        </StrictMode>,
    );
}
