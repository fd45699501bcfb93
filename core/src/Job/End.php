<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/**
 * What a run starts from or ends in, and how the pipe is received there. `socket`: the pipe goes to the stop of a
 * socket of its own system;
 * `trap-adapter`: a trap adapter is joined to the pipe; `plain`: a coupling joins it to the cut face of a pipe of the
 * same system;
 * `standing`: a standing pipe of the job, joined by the method that is chosen, or else by the best that is offered;
 * `fixture`: the outlet of a trap;
 * `branch`: a branch fitting in another run; `run`: another run goes on from here; `roof`: open to the air; `valve`: an
 * air admittance valve; `cleanout`, `cap`: closed;
 * `gully`: it ends in the open over a trapped gully or receptor, where air meets the water.
 */
final readonly class End
{
    public const OUTLETS = [
        'socket',
        'trap-adapter',
        'plain',
        'standing',
        'fixture',
        'branch',
        'run',
        'roof',
        'valve',
        'cleanout',
        'cap',
    ];

    public const TIE_INS = ['socket', 'plain', 'standing', 'branch', 'run', 'roof', 'valve', 'cap', 'gully'];

    /**
     * @param ?string $standing id of the standing pipe, with kind `standing`
     * @param ?string $method key of the chosen joining method; null: the best one
     * @param ?FixtureHead $fixture with kind `fixture`
     * @param ?BranchAt $branch with kind `branch`
     * @param ?string $next id of the run that this one goes on into, with kind `run` at a tie-in
     * @param ?Terminal $terminal with kinds `roof` and `valve`
     */
    public function __construct(
        public string $what,
        public string $kind,
        public ?string $standing = null,
        public ?string $method = null,
        public ?FixtureHead $fixture = null,
        public ?BranchAt $branch = null,
        public ?string $next = null,
        public ?Terminal $terminal = null,
    ) {}

    /** The same end joined by another method; null for the best one. */
    public function joinedBy(?string $method): self
    {
        return new self(
            $this->what,
            $this->kind,
            $this->standing,
            $method,
            $this->fixture,
            $this->branch,
            $this->next,
            $this->terminal,
        );
    }

    /**
     * Gives what it is called where a sentence wants a thing: a run goes `into House drain`, its last joint is that to
     * `House drain`.
     */
    public function thing(): string
    {
        return (string) preg_replace('/^(on )?into (?=.)/u', '', $this->what);
    }

    /** Whether air comes in here: through a roof or a valve. */
    public function isOpenToAir(): bool
    {
        return $this->kind === 'roof' || $this->kind === 'valve';
    }
}
