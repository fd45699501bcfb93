export type Mode = 'paper' | 'cellar';

const KEY = 'fall-bend mode';

export function currentMode(): Mode {
    return document.documentElement.dataset.mode === 'cellar' ? 'cellar' : 'paper';
}

/** Sets paper or cellar; without a choice, the one chosen last on this device. */
export function applyMode(mode?: Mode): Mode {
    let chosen: Mode = mode ?? 'paper';
    try {
        if (mode) localStorage.setItem(KEY, mode);
        else if (localStorage.getItem(KEY) === 'cellar') chosen = 'cellar';
    } catch {
        // Without storage the choice holds for this page.
    }
    document.documentElement.dataset.mode = chosen;
    return chosen;
}
