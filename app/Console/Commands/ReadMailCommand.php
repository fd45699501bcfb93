<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\People\MailboxTransport;
use Illuminate\Console\Command;

/** Shows letters that stayed on this machine, because no mail server is named. */
final class ReadMailCommand extends Command
{
    protected $signature = 'mail:read {--last=1 : how many letters, the newest last}';

    protected $description = 'Show the newest letters that stayed on this machine';

    public function handle(): int
    {
        $folder = config('mail.mailers.mailbox.folder');
        $letters = is_string($folder) ? MailboxTransport::letters($folder) : [];
        $last = max(1, (int) $this->option('last'));
        foreach (array_reverse(array_slice($letters, 0, $last)) as $path) {
            $this->line(self::readable((string) file_get_contents($path)));
            $this->line('');
        }
        if ($letters === []) {
            $this->line('There are no letters.');
        }

        return 0;
    }

    /** A letter as it is read: without how it is packed, so that its link can be opened. */
    private static function readable(string $letter): string
    {
        [$head, $body] = explode("\r\n\r\n", $letter, 2) + ['', ''];
        preg_match_all('/^(?:From|To|Subject|Date): .*/m', $head, $shown);

        return implode("\n", array_map(trim(...), $shown[0]))."\n\n".quoted_printable_decode($body);
    }
}
