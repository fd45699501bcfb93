<?php

declare(strict_types=1);

namespace App\Jobs;

use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Mail\Message;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\Mail;

/** Hands a letter to the mail server. What waits is sealed: links to new passwords stand in it. */
final class SendLetter implements ShouldBeEncrypted, ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;

    public int $tries = 5;

    /** @var list<int> seconds between attempts */
    public array $backoff = [5, 30, 120, 600];

    public function __construct(
        private readonly string $to,
        private readonly string $name,
        private readonly string $subject,
        private readonly string $text,
    ) {}

    public function handle(): void
    {
        Mail::raw($this->text, function (Message $message): void {
            $message->to($this->to, $this->name)->subject($this->subject);
        });
    }
}
