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
        $words = trim(mb_strtolower($text));
        $lead = mb_strlen($text) - mb_strlen(ltrim($text));
        $fail = static fn (string $message): array => [
            'end' => null,
            'unread' => [new Unread($at + $lead, max(1, mb_strlen(trim($text))), $message)],
        ];
        if (
            preg_match('/(roof|valve|gully|cap)$/u', $words, $m) === 1 &&
            ! str_starts_with($words, 'into') &&
            ! str_starts_with($words, 'on')
        ) {
            return [
                'end' => new End(
                    $m[1],
                    RunEndKind::from($m[1]),
                    terminal: in_array($m[1], ['roof', 'valve'], true) ? new Terminal : null,
                ),
                'unread' => [],
            ];
        }
        if (preg_match('/^to\s+"([^"]{1,80})"$/u', trim($text), $m) === 1) {
            return ['end' => new End($m[1], RunEndKind::Socket), 'unread' => []];
        }
        if (preg_match('/^on\s+into\s+(.+)$/u', $words, $m) === 1) {
            $run = Places::named(trim($m[1], '" '), $this->job);

            return $run === null
                ? $fail('No run of this job is called that.')
                : ['end' => new End("on into {$run->name}", RunEndKind::Run, next: $run->id), 'unread' => []];
        }
        $into = (string) preg_replace('/^into\s+/u', '', $words);
        [$branch, $taken, $problem] = Places::read($into, $this->job);
        if ($branch === null) {
            return $fail($problem ?? 'Not understood.');
        }
        $rest = trim(mb_substr($into, mb_strlen($taken)));
        $pattern = null;
        if ($rest !== '') {
            $asked = (string) preg_replace(['/^(?:with|by)\s+(?:an?\s+)?/u', '/\s+/u'], ['', '-'], $rest);
            if (! in_array($asked, BranchAt::PATTERNS, true)) {
                return $fail(
                    'Not understood: “'.
                        mb_strimwidth($rest, 0, 30, '…').
                        '”. A branch is a san tee, wye, combo, swept tee, boss …',
                );
            }
            $pattern = $asked;
        }

        return [
            'end' => new End(
                'into '.($this->job->run($branch->run)->name ?? ''),
                RunEndKind::Branch,
                branch: new BranchAt($branch->run, $branch->leg, $branch->atMm, $pattern),
            ),
            'unread' => [],
        ];
    }
}
