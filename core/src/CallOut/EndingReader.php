<?php

declare(strict_types=1);

namespace FallBend\Core\CallOut;

use FallBend\Core\Job\BranchAt;
use FallBend\Core\Job\End;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\Terminal;

/**
 * Reads where a run goes: `into stack 60`, `into line 24 with combo`, `on into sewer`, `roof`, `valve`, `gully`,
 * `to "stub"`.
 */
final readonly class EndingReader
{
    /** What branch fittings are called besides, with hyphens for blanks. */
    private const CALLED = [
        'sanitary-tee' => 'san-tee',
        'tee' => 'san-tee',
        'y' => 'wye',
        'lateral' => 'wye',
        'combination' => 'combo',
        'combination-wye' => 'combo',
        'combination-wye-and-1/8-bend' => 'combo',
        'combination-wye-and-eighth-bend' => 'combo',
        'tee-wye' => 'combo',
        'tee-y' => 'combo',
        'long-turn-tee-wye' => 'combo',
        'double-sanitary-tee' => 'double-san-tee',
        'sanitary-cross' => 'double-san-tee',
        'double-fixture-fitting' => 'double-fixture',
        'double-y' => 'double-wye',
        'double-combination' => 'double-combo',
        'boss-pipe' => 'boss',
        'strap-boss' => 'boss',
        '92-tee' => 'swept-tee',
        'double-92-tee' => 'double-swept-tee',
        'double-135-branch' => 'double-branch-135',
        '135-branch' => 'branch-135',
        '45-branch' => 'branch-135',
        '112-branch' => 'branch-112',
    ];

    public function __construct(private Job $job) {}

    /** Whether a phrase says where a run goes. */
    public static function isOne(string $text): bool
    {
        return preg_match(
            '/^\s*(?:into\s|on\s+into\s|to\s+"|(?:through\s+the\s+)?roof\s*$|(?:air\s+)?valve\s*$|gully\s*$|cap\s*$)/iu',
            $text,
        ) === 1;
    }

    /** @return array{end: ?End, unread: list<Unread>} */
    public function read(string $text, int $at): array
    {
        $end = $this->end(trim($text));
        if ($end instanceof End) {
            return ['end' => $end, 'unread' => []];
        }
        $lead = mb_strlen($text) - mb_strlen(ltrim($text));

        return ['end' => null, 'unread' => [new Unread($at + $lead, max(1, mb_strlen(trim($text))), $end)]];
    }

    /** @return End|string the end; a text: why it is none */
    private function end(string $text): End|string
    {
        $words = mb_strtolower($text);
        $isElsewhere = str_starts_with($words, 'into') || str_starts_with($words, 'on');
        if (! $isElsewhere && preg_match('/(roof|valve|gully|cap)$/u', $words, $m) === 1) {
            $isOpen = in_array($m[1], ['roof', 'valve'], true);

            return new End($m[1], RunEndKind::from($m[1]), terminal: $isOpen ? new Terminal : null);
        }
        if (preg_match('/^to\s+"([^"]{1,80})"$/u', $text, $m) === 1) {
            return new End($m[1], RunEndKind::Socket);
        }
        if (preg_match('/^on\s+into\s+(.+)$/u', $words, $m) === 1) {
            $run = Places::named(trim($m[1], '" '), $this->job);

            return $run === null
                ? 'No run of this job is called that.'
                : new End("on into {$run->name}", RunEndKind::Run, next: $run->id);
        }

        return $this->branch((string) preg_replace('/^into\s+/u', '', $words));
    }

    /** @return End|string the same of an end in another run */
    private function branch(string $into): End|string
    {
        [$branch, $taken, $problem] = Places::read($into, $this->job);
        if ($branch === null) {
            return $problem ?? 'Not understood.';
        }
        $rest = trim(mb_substr($into, mb_strlen($taken)));
        $called = (string) preg_replace(['/^(?:with|by)\s+(?:an?\s+)?/u', '/\s+/u'], ['', '-'], $rest);
        $pattern = self::CALLED[$called] ?? $called;
        if ($rest !== '' && ! in_array($pattern, BranchAt::PATTERNS, true)) {
            $short = mb_strimwidth($rest, 0, 30, '…');

            return "Not understood: “{$short}”. A branch is a san tee, wye, combo, swept tee, boss …";
        }

        return new End(
            'into '.($this->job->run($branch->run)->name ?? ''),
            RunEndKind::Branch,
            branch: new BranchAt($branch->run, $branch->leg, $branch->atMm, $rest === '' ? null : $pattern),
        );
    }
}
