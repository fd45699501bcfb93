<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Crew;
use App\Models\Question;
use App\Models\User;
use Symfony\Component\Process\Process;
use Tests\Support\FreshTables;
use Tests\TestCase;

/**
 * Heavy questions come to their turn two at a time, no crew keeps the others waiting, and what nobody waits for is not
 * worked on.
 */
final class TurnTest extends TestCase
{
    use FreshTables;

    /** Questions work for as long as this file is there. */
    private string $hold;

    public function testTwoAtATimeAndEveryCrewInItsTurn(): void
    {
        $busy = self::member(Crew::query()->create(['name' => 'Day crew']), 'lead');
        $other = self::member(Crew::query()->create(['name' => 'Night crew']), 'stranger');
        $many = array_map(fn (int $n): Process => $this->ask($busy, "of-the-day-{$n}", 200), range(1, 5));
        $this->until(static fn (): bool => Question::query()->count() === 5);
        $one = $this->ask($other, 'of-the-night', 200);
        $this->until(static fn (): bool => Question::query()->count() === 6);
        $this->release();
        $answers = array_map(self::answer(...), [...$many, $one]);
        self::assertSame(array_fill(0, 6, 'answered'), array_column($answers, 'said'));
        $spans = array_map(
            static fn (array $answer): array => [$answer['from'] ?? NAN, $answer['until'] ?? NAN],
            $answers,
        );
        foreach ($spans as [$from]) {
            self::assertLessThanOrEqual(
                2,
                count(array_filter($spans, static fn (array $span): bool => $span[0] <= $from && $from < $span[1])),
                'two are worked on at a time',
            );
        }
        $begun = array_column($answers, 'from');
        $order = $begun;
        sort($order);
        // Both turns may come free in the same moment: it has one of them.
        self::assertLessThanOrEqual(
            4,
            array_search($begun[5], $order, true) + 1,
            'the other crew does not wait for all of the first',
        );
        self::assertSame(0, Question::query()->count());
    }

    public function testWhoAsksVeryMuchIsAskedToWait(): void
    {
        $busy = self::member(Crew::query()->create(['name' => 'Day crew']), 'lead');
        $many = array_map(fn (int $n): Process => $this->ask($busy, "question-{$n}", 200), range(1, 6));
        $this->until(static fn (): bool => Question::query()->count() === 6);
        self::assertSame('429', self::answer($this->ask($busy, 'one-too-many', 10))['said']);
        array_walk($many, static fn (Process $process) => $process->stop(0));
    }

    public function testWhatIsCalledOffEndsAndWhatAKilledWorkerLeftIsNobodysTurn(): void
    {
        $asker = self::member(Crew::query()->create(['name' => 'Day crew']), 'lead');
        $other = self::member(Crew::query()->create(['name' => 'Night crew']), 'stranger');
        [$killed, $called] = [$this->ask($asker, 'killed-worker', 60_000), $this->ask($asker, 'called-off', 60_000)];
        $this->until(static fn (): bool => Question::query()->where('is_begun', true)->count() === 2);
        $killed->signal(9);
        $waits = $this->ask($asker, 'waits-for-it', 10, isHeld: false);
        self::assertSame('answered', self::answer($waits)['said'], 'its turn is free at once');
        $this->actingAs($other)->deleteJson('/api/questions/called-off')->assertStatus(204);
        usleep(600_000);
        self::assertTrue($called->isRunning(), 'nobody calls off what another asked');
        $this->actingAs($asker)->deleteJson('/api/questions/called-off')->assertStatus(204);
        self::assertSame('called off', self::answer($called)['said']);
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->hold = (string) tempnam(sys_get_temp_dir(), 'hold');
    }

    protected function tearDown(): void
    {
        $this->release();
        parent::tearDown();
    }

    private function release(): void
    {
        @unlink($this->hold);
    }

    /**
     * Asks a question in a process of its own, as a worker would. It works until `release`, and for so long, or until
     * it is called
     * off: how fast processes come up here does not decide who is first.
     */
    private function ask(User $asker, string $key, int $ms, bool $isHeld = true): Process
    {
        $script = <<<'PHP'
        require 'vendor/autoload.php';
        $app = require 'bootstrap/app.php';
        $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();
        [, $user, $key, $ms, $hold] = $argv;
        try {
            $answer = app(App\Questions\Turn::class)->take(App\Models\User::query()->findOrFail($user), $key, function ($question) use ($ms, $hold) {
                $from = microtime(true);
                $effort = App\Questions\Allowance::effort(20.0, fn (): bool => App\Questions\Turn::isCalledOff($question));
                while ($effort->spend(0) && (file_exists($hold) || microtime(true) < $from + $ms / 1000)) {
                    clearstatcache();
                    usleep(10_000);
                }

                return ['said' => $effort->isSpent() ? 'called off' : 'answered', 'from' => $from, 'until' => microtime(true)];
            });
        } catch (Symfony\Component\HttpKernel\Exception\HttpException $refused) {
            $answer = ['said' => (string) $refused->getStatusCode()];
        }
        echo json_encode($answer);
        PHP;
        $process = new Process(
            [PHP_BINARY, '-r', $script, '--', (string) $asker->id, $key, (string) $ms, $isHeld ? $this->hold : ''],
            base_path(),
            ['DB_DATABASE' => 'fallbend_test', 'APP_ENV' => 'testing'],
            timeout: 60,
        );
        $process->start();

        return $process;
    }

    /** @return array{said: string, from?: float, until?: float} */
    private static function answer(Process $process): array
    {
        $process->wait();
        /** @var array{said: string, from?: float, until?: float} $answer */
        $answer = json_decode($process->getOutput(), true, 8, JSON_THROW_ON_ERROR);

        return $answer;
    }

    /** @param callable(): bool $holds */
    private function until(callable $holds): void
    {
        for ($i = 0; $i < 400 && ! $holds(); $i++) {
            usleep(50_000);
        }
        self::assertTrue($holds());
    }
}
