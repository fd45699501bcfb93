import { t } from '@lingui/core/macro';
import type { JobDocument, JobRun } from '../../api/types';

/** The menus of the head: of the job, and of its runs. */
export type Menu = 'job' | 'runs';

export interface MenusOf {
    document: JobDocument;
    plan: JobRun | undefined;
    phone: boolean;
}

/** The menus of the head while what opens them is on its way: one that is tapped opens when it is there. */
export function MenusToCome({ onOpen, ...of }: MenusOf & { onOpen: (menu: Menu) => void }) {
    const menus: Menu[] = of.phone ? ['runs'] : ['job', 'runs'];
    return menus.map((menu) => (
        <div key={menu} className={menu === 'job' ? 'dropdown job-name' : 'dropdown'}>
            <button type="button" className="head-field" aria-haspopup="true" onClick={() => onOpen(menu)}>
                <MenuField {...of} menu={menu} />
            </button>
        </div>
    ));
}

/** What stands on the button of a menu. */
export function MenuField({ menu, document, plan }: MenusOf & { menu: Menu }) {
    const number = document.runs.findIndex((run) => run.id === plan?.id) + 1;
    const runs = plan ? t`Run ${number} of ${document.runs.length}` : t`Runs`;
    const noRun = document.runs.length === 0 ? t`none yet` : t`pick one`;
    return (
        <>
            <span className="cap">
                {menu === 'job' ? t`Job` : runs} <i aria-hidden="true">▾</i>
            </span>
            <b>{menu === 'job' ? document.name : (plan?.name ?? noRun)}</b>
        </>
    );
}
