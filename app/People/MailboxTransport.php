<?php

declare(strict_types=1);

namespace App\People;

use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;

/**
 * A stand-in for a mail server: each letter is put down as a file of the open mail format in a folder of this machine,
 * which `bin/artisan mail:read` shows. It takes the place of one where no mail server is named.
 */
final class MailboxTransport extends AbstractTransport
{
    /** So many letters are kept. */
    private const MOST = 200;

    public function __construct(private readonly string $folder)
    {
        parent::__construct();
    }

    public function __toString(): string
    {
        return "mailbox://{$this->folder}";
    }

    /**
     * @return list<string> the letters in a folder, the newest first
     *
     * @phpstan-impure
     */
    public static function letters(string $folder): array
    {
        $paths = glob("{$folder}/*.eml");
        $paths = $paths === false ? [] : $paths;
        rsort($paths);

        return $paths;
    }

    protected function doSend(SentMessage $message): void
    {
        if (! is_dir($this->folder)) {
            mkdir($this->folder, 0700, true);
        }
        $at = (new \DateTimeImmutable)->format('Ymd-His-u');
        $name = "{$this->folder}/{$at}-".bin2hex(random_bytes(4)).'.eml';
        file_put_contents($name, $message->toString());
        chmod($name, 0600);
        foreach (array_slice(self::letters($this->folder), self::MOST) as $old) {
            unlink($old);
        }
    }
}
