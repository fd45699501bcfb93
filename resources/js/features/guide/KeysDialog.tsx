import { useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import { TRADE_WORDS } from '../../shared/words';

const KEYS: [string, string][] = [
    ['?', 'this: keys and words'],
    ['Tab', 'first past the head, then from one thing to the next'],
    ['Alt+1 … Alt+9', 'in a job: its stations, from Look to Record'],
    ['Ctrl+Z, Ctrl+Shift+Z', 'undo, redo'],
    ['Esc', 'to the call-out line; out of a dialog or a menu'],
    ['Enter', 'in the call-out line: it is read and saved'],
    ['→', 'in the call-out line: takes the word that is offered'],
    ['↑ ↓', 'among findings: to the one before, to the next'],
];

const CALL_OUTS: [string, string][] = [
    ['down 20', 'a leg, 20 in or 20 mm long, centre to centre'],
    ['right 4 fall 1/4', 'to the right as the water goes, falling 1/4 in per ft; in millimetres 1:40 or 25 mm/m'],
    ['right 4 drop 2', 'the same, going down 2 on its length'],
    ['north 40', 'by the compass, instead of left and right'],
    ['left 23° 30', 'turned by an angle'],
    ['on 36 to stop', 'straight on, measured to the stop of the next fitting'],
    ['up 60 with long sweep', 'with a fitting of your choice: long sweep, 45+45, street 45 …'],
    ['size 3', 'another size from here'],
    ['basin 1-1/2 / down 20 / right 4 into stack', 'a whole run, from a fixture to where it ends'],
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
                <h2 id="keys-title">Keys and words</h2>
                <Table rows={KEYS} name="Keys" />
                <h3>What can be called out</h3>
                <p className="cap">Legs are parted by a stroke: down 20 / right 4 fall 1/4 / on 36</p>
                <Table rows={CALL_OUTS} name="Call-outs" />
                <h3>Words of the trade</h3>
                <label className="choice">
                    <span className="cap">Find a word</span>
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
                {found.length === 0 && <p className="none">No word is like that.</p>}
                <div className="acts">
                    <button type="button" className="main-act" onClick={onClose}>
                        Close
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
