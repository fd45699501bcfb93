<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Questions\Allowance;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Reckon\Reckoners;
use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;

/** A reckoner on the command line: JSON in, JSON out; 0 with the answer, 2 for bad input. Nothing else is printed. */
final class ReckonCommand extends Command
{
    protected $signature = 'reckon {name? : which reckoner} {--list : names with one line each} {--schema : JSON Schema of input and output}';

    protected $description = 'Run one reckoner: JSON on standard input, JSON on standard output';

    public function handle(Reckoners $reckoners): int
    {
        if ($this->option('list')) {
            foreach ($reckoners->list() as $name => $summary) {
                $this->output->writeln("{$name}\t{$summary}");
            }

            return 0;
        }
        $name = is_string($this->argument('name')) ? $this->argument('name') : '';
        try {
            $answer = $this->option('schema') ? $reckoners->schema($name) : $this->reckon($reckoners, $name);
            $this->print($answer);

            return 0;
        } catch (BadInput $bad) {
            $this->print($bad->toArray());

            return 2;
        }
    }

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    private function reckon(Reckoners $reckoners, string $name): array
    {
        $text = (string) stream_get_contents(STDIN);
        $asked = json_decode($text, true);
        $seconds = is_array($asked) ? $asked['seconds'] ?? null : null;

        return $reckoners->reckonJson(
            $name,
            $text,
            Allowance::effort(is_int($seconds) || is_float($seconds) ? (float) $seconds : null),
        );
    }

    /** @param array<string, mixed> $answer */
    private function print(array $answer): void
    {
        $this->output->write(
            json_encode($answer, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n",
            false,
            OutputInterface::OUTPUT_RAW,
        );
    }
}
