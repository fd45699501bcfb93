<?php

declare(strict_types=1);

namespace Tests\Served;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Process\Process;
use Tests\Support\Answer;
use Tests\Support\RandomEdits;
use Tests\Support\Served;

/**
 * Both demo jobs are edited by chance from two tabs each, taken back, brought back, exported and imported. Whatever was
 * kept can be
 * read again, no two pieces of a run share a letter and no two joints a number. `bin/bench edits` makes 5,000 edits.
 */
final class RandomEditsTest extends TestCase
{
    private const DEMOS = ['mill-row-pottery', 'weir-cottage-office'];

    private const TABS = 2;

    private Served $served;

    private Randomizer $chance;

    private RandomEdits $edits;

    /** @var array<string, int> */
    private array $counts = [];

    public function testWhateverIsKeptCanBeReadAgain(): void
    {
        $edits = (int) (getenv('EDITS') ?: 500);
        $seed = (int) (getenv('EDITS_SEED') ?: 13);
        $this->chance = new Randomizer(new Mt19937($seed));
        $this->edits = new RandomEdits($this->chance);
        $this->served = Served::as('lead');
        $jobs = $all = [];
        foreach (self::DEMOS as $demo) {
            $document = (array) json_decode(
                (string) file_get_contents(dirname(__DIR__, 2)."/database/demo/{$demo}.json"),
                true,
            );
            $jobs[] = $this->opened($this->served->send('POST', '/api/jobs', ['document' => $document]));
        }
        for ($n = 0; $n < $edits; $n++) {
            $j = $n % count($jobs);
            $all[$jobs[$j]['id']] = true;
            $t = $this->chance->getInt(0, self::TABS - 1);
            $jobs[$j] = $this->step($jobs[$j], $t, "edit {$n} of seed {$seed}");
        }
        foreach (array_keys($all + array_flip(array_column($jobs, 'id'))) as $id) {
            $check = new Process(['php', 'artisan', 'jobs:check', "--job={$id}"], dirname(__DIR__, 2), timeout: 600);
            self::assertSame(0, $check->run(), $check->getOutput());
        }
        self::assertGreaterThan(
            $edits / 4,
            $this->counts['kept'] ?? 0,
            json_encode($this->counts, JSON_THROW_ON_ERROR),
        );
        if ($edits > 500) {
            fprintf(
                STDOUT,
                "\n%d random edits, every revision reads back: %s\n",
                $edits,
                json_encode($this->counts, JSON_THROW_ON_ERROR),
            );
        }
    }

    /**
     * @param array{id: string, tabs: list<array{revision: int, document: array<string, mixed>}>} $job
     * @return array{id: string, tabs: list<array{revision: int, document: array<string, mixed>}>}
     */
    private function step(array $job, int $t, string $what): array
    {
        [$path, $tab] = ["/api/jobs/{$job['id']}", $job['tabs'][$t]];
        $from = ['from' => $tab['revision']];
        $key = ['Idempotency-Key' => 'edits-'.bin2hex(random_bytes(8))];
        $put = fn (array $document): Answer => $this->served->send(
            'PUT',
            $path,
            $from + ['gesture' => "g{$this->chance->getInt(1, 4)}", 'document' => $document],
            $key,
        );
        $answer = match ($this->chance->getInt(0, 15)) {
            0, 1, 2 => $this->served->send('POST', "{$path}/undo", $from, $key),
            3, 4 => $this->served->send('POST', "{$path}/redo", $from, $key),
            5, 6, 7 => $this->typed($path, $tab, $key),
            8 => $put($this->edits->ledgerTouched($tab['document'])),
            9 => $this->imported($job),
            default => $put($this->edits->edited($tab['document'])),
        };
        self::assertContains($answer->status, [200, 201, 409, 422], "{$what}: {$answer->said()}");
        $this->counts["status {$answer->status}"] = ($this->counts["status {$answer->status}"] ?? 0) + 1;
        if ($answer->status === 201) {
            return $this->opened($answer);
        }
        if ($answer->status === 409) {
            // Another tab wrote meanwhile: this one takes what is there, or writes what it has over it.
            $now = $this->served->send('GET', $path);
            self::assertSame(200, $now->status, "{$what}: {$now->said()}");
            $this->assertMarks($now, $what);
            $mine = $this->chance->getInt(0, 1) === 0 ? $tab['document'] : $now->json()['document'];
            $job['tabs'][$t] = ['revision' => $now->json()['revision'], 'document' => $mine];

            return $job;
        }
        if ($answer->status === 422) {
            // Refused whole: what was kept before is there as it was. A tab that holds what is refused again and again
            // begins anew.
            $job['tabs'][$t] = self::tab($this->served->send('GET', $path));

            return $job;
        }
        $this->counts['kept'] = ($this->counts['kept'] ?? 0) + 1;
        $this->assertMarks($answer, $what);
        $job['tabs'][$t] = self::tab($answer);

        return $job;
    }

    /**
     * As the page does it: what is typed is evaluated, the plan with it in is kept; then it is typed otherwise.
     *
     * @param array{revision: int, document: array<string, mixed>} $tab
     * @param array<string, string> $key
     */
    private function typed(string $path, array $tab, array $key): Answer
    {
        $evaluation = $this->served->send('POST', '/api/evaluate', ['document' => $tab['document']])->json();
        $run =
            $evaluation['evaluation']['runs'][
                $this->chance->getInt(0, max(0, count($evaluation['evaluation']['runs'] ?? []) - 1))
            ] ?? null;
        $text = $run['call_out'] ?? '';
        $answer = $this->served->send('POST', '/api/evaluate', [
            'document' => $tab['document'],
            'call_out' => ['run' => $run['id'] ?? '', 'text' => "{$text} / {$this->edits->phrase()}"],
        ]);
        if ($answer->status !== 200) {
            return $answer;
        }

        return $this->served->send(
            'PUT',
            $path,
            ['from' => $tab['revision'], 'gesture' => 'typed', 'document' => $answer->json()['document']],
            $key,
        );
    }

    /** @param array{id: string, tabs: list<array{revision: int, document: array<string, mixed>}>} $job */
    private function imported(array $job): Answer
    {
        $file = $this->served->send('GET', "/api/jobs/{$job['id']}/file");
        self::assertSame(200, $file->status, $file->said());
        $document = $this->chance->getInt(0, 1) === 0 ? $file->json() : $this->edits->ledgerTouched($file->json());

        return $this->served->send('POST', '/api/jobs/import', ['text' => json_encode($document, JSON_THROW_ON_ERROR)]);
    }

    /** @return array{id: string, tabs: list<array{revision: int, document: array<string, mixed>}>} */
    private function opened(Answer $answer): array
    {
        self::assertSame(201, $answer->status, $answer->said());
        $this->assertMarks($answer, 'opened');

        return ['id' => $answer->id(), 'tabs' => array_fill(0, self::TABS, self::tab($answer))];
    }

    /** @return array{revision: int, document: array<string, mixed>} */
    private static function tab(Answer $answer): array
    {
        $json = $answer->json();
        self::assertIsInt($json['revision'] ?? null, $answer->said());

        return ['revision' => $json['revision'], 'document' => $json['document']];
    }

    private function assertMarks(Answer $answer, string $what): void
    {
        $runs = $answer->json()['evaluation']['runs'] ?? [];
        $of = static fn (string $list, string $mark): array => array_merge(
            ...array_map(static fn (array $run): array => array_column($run[$list], $mark), $runs),
        );
        [$letters, $marks] = [$of('pieces', 'letter'), $of('joints', 'mark')];
        self::assertSame($letters, array_values(array_unique($letters)), "{$what}: pieces of the whole job");
        self::assertSame($marks, array_values(array_unique($marks)), "{$what}: joints of the whole job");
    }
}
