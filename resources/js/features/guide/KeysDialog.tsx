import { t } from '@lingui/core/macro';
import { useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import { TRADE_WORDS } from '../../shared/words';

const KEYS: [string, string][] = [
    ['?', t`this: keys and words`],
    ['Tab', t`first past the head, then from one thing to the next`],
    ['Alt+1 … Alt+9', t`in a job: its stations, from Look to Record`],
    ['Ctrl+Z, Ctrl+Shift+Z', t`undo, redo`],
    ['Esc', t`to the call-out line; out of a dialog or a menu`],
    ['Enter', t`in the call-out line: it is read and saved`],
    ['→', t`in the call-out line: takes the word that is offered`],
    ['↑ ↓', t`among findings: to the one before, to the next`],
];

const CALL_OUTS: [string, string][] = [
    ['down 20', t`a leg, 20 in or 20 mm long, center to center`],
    ['right 4 fall 1/4', t`to the right as the water goes, falling 1/4 in per ft; in millimeters 1:40 or 25 mm/m`],
    ['right 4 drop 2', t`the same, going down 2 on its length`],
    ['north 40', t`by the compass, instead of left and right`],
    ['left 23° 30', t`turned by an angle`],
    ['on 36 to stop', t`straight on, measured to the stop of the next fitting`],
    ['up 60 with long sweep', t`with a fitting of your choice: long sweep, 45+45, street 45 …`],
    ['size 3', t`another size from here`],
    [t`lavatory 1-1/2 / down 20 / right 4 into stack`, t`a whole run, from a fixture to where it ends`],
];

/** Which keys there are, what can be called out, and what the words of the trade mean. */
export function KeysDialog({ onClose }: { onClose: () => void }) {
    const [search, setSearch] = useState('');
    const found = TRADE_WORDS.filter(({ word, meaning }) =>
        `${word} ${meaning}`.toLowerCase().includes(search.trim().toLowerCase()),
    );
    return (
        <Modal show onHide={onClose} aria-labelledby="keys-title" dialogClassName="wide-dialog">
            <Modal.Body>
                <h2 id="keys-title">{t`Keys and words`}</h2>
                <Table rows={KEYS} name={t`Keys`} />
                <h3>{t`What can be called out`}</h3>
                <p className="cap">{t`Legs are parted by a stroke: down 20 / right 4 fall 1/4 / on 36`}</p>
                <Table rows={CALL_OUTS} name={t`Call-outs`} />
                <h3>{t`Words of the trade`}</h3>
                <label className="choice">
                    <span className="cap">{t`Find a word`}</span>
                    <input type="search" value={search} onChange={(event) => setSearch(event.target.value)} />
                </label>
                <dl className="word-list">
                    {found.map(({ word, meaning }) => (
                        <div key={word}>
                            <dt>{word}</dt>
                            <dd>{meaning}</dd>
                        </div>
                    ))}
                </dl>
                {found.length === 0 && <p className="none">{t`No word is like that.`}</p>}
                <div className="acts">
                    <button type="button" className="main-act" onClick={onClose}>
                        {t`Close`}
                    </button>
                </div>
            </Modal.Body>
        </Modal>
    );
}

function Table({ rows, name }: { rows: [string, string][]; name: string }) {
    return (
        <dl className="key-list" aria-label={name}>
            {rows.map(([key, what]) => (
                <div key={key}>
                    <dt>
                        <kbd>{key}</kbd>
                    </dt>
                    <dd>{what}</dd>
                </div>
            ))}
        </dl>
    );
}
