<?php

declare(strict_types=1);

namespace Tests\Support;

use App\People\MailboxTransport;
use Illuminate\Support\Facades\File;

/** A folder of its own into which letters of a test are put. */
trait Mailbox
{
    private string $mailbox;

    protected function setUpMailbox(): void
    {
        $this->mailbox = sys_get_temp_dir().'/mailbox-'.bin2hex(random_bytes(6));
        config(['mail.default' => 'mailbox', 'mail.mailers.mailbox.folder' => $this->mailbox]);
    }

    protected function tearDownMailbox(): void
    {
        File::deleteDirectory($this->mailbox);
    }

    /** The newest letter as it is read; empty: there is none. */
    private function newestLetter(): string
    {
        $letters = MailboxTransport::letters($this->mailbox);

        return $letters === [] ? '' : quoted_printable_decode((string) file_get_contents($letters[0]));
    }
}
