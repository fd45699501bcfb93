import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { Component, Suspense, type ReactNode } from 'react';

interface Props {
    /** what it is, as people call it: `Cut` */
    name: string;
    children: ReactNode;
}

/**
 * Holds a part of the interface that is loaded when it is opened. What goes wrong in it, or on its way here, hurts
 * nothing beside it: what
 * was said stays where it was said.
 */
export class Boundary extends Component<Props, { failed: boolean }> {
    override state = { failed: false };

    static getDerivedStateFromError(): { failed: boolean } {
        return { failed: true };
    }

    override render(): ReactNode {
        if (!this.state.failed)
            return <Suspense fallback={<main className="station" aria-busy="true" />}>{this.props.children}</Suspense>;
        return (
            <main className="station">
                <div className="waiting" role="alert">
                    <p>
                        <Trans>
                            {this.props.name} cannot be shown now. What you said is stored on this device, and saved as
                            before.
                        </Trans>
                    </p>
                    <button type="button" className="plain" onClick={() => window.location.reload()}>
                        {t`Try again`}
                    </button>
                </div>
            </main>
        );
    }
}
