<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/** What a run starts from or ends in, and how the pipe is received there. */
final readonly class End
{
    public const OUTLETS = [
        RunEndKind::Socket,
        RunEndKind::TrapAdapter,
        RunEndKind::Plain,
        RunEndKind::Standing,
        RunEndKind::Fixture,
        RunEndKind::Branch,
        RunEndKind::Run,
        RunEndKind::Roof,
        RunEndKind::Valve,
        RunEndKind::Cleanout,
        RunEndKind::Cap,
    ];

    public const TIE_INS = [
        RunEndKind::Socket,
        RunEndKind::Plain,
        RunEndKind::Standing,
        RunEndKind::Branch,
        RunEndKind::Run,
        RunEndKind::Roof,
        RunEndKind::Valve,
        RunEndKind::Cap,
        RunEndKind::Gully,
    ];

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
        public RunEndKind $kind,
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
        return $this->kind === RunEndKind::Roof || $this->kind === RunEndKind::Valve;
    }
}
