<?php

declare(strict_types=1);

namespace App\Providers;

use App\People\MailboxTransport;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\ServiceProvider;

/** Where letters go when no mail server is named. */
final class MailProvider extends ServiceProvider
{
    public function boot(): void
    {
        Mail::extend('mailbox', static function (array $config): MailboxTransport {
            $folder = $config['folder'] ?? null;

            return new MailboxTransport(is_string($folder) ? $folder : storage_path('mailbox'));
        });
    }
}
