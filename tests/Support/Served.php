<?php

declare(strict_types=1);

namespace Tests\Support;

use CurlHandle;
use RuntimeException;

/**
 * The application as it is served, asked as a browser asks it: one who signed in, with as many requests at once as is
 * said.
 */
final class Served
{
    /** @var array<string, string> */
    private array $cookies = [];

    /** @param non-empty-string $from the address of this machine that it asks from */
    public function __construct(
        public readonly string $address,
        private readonly int $seconds = 90,
        private readonly string $from = '127.0.0.1',
    ) {}

    /** A member of the crew of the demo, signed in. */
    public static function as(string $who, ?string $address = null, int $seconds = 90): self
    {
        $served = new self($address ?? (string) getenv('BROWSER_BASE'), $seconds);
        $served->signIn($who);

        return $served;
    }

    /** The same person with the same cookies, at another node. */
    public function at(string $address): self
    {
        $there = new self($address, $this->seconds);
        $there->cookies = $this->cookies;

        return $there;
    }

    /**
     * The same person with the same cookies, on another device.
     *
     * @param non-empty-string $from an address of this machine: 127.x.x.x
     */
    public function from(string $from): self
    {
        $there = new self($this->address, $this->seconds, $from);
        $there->cookies = $this->cookies;

        return $there;
    }

    public function signIn(string $who): void
    {
        $this->send('GET', '/');
        $answer = $this->send('POST', '/api/session', [
            'email' => "{$who}@mill-row.example",
            'password' => 'clay-wash',
        ]);
        if ($answer->status >= 300) {
            throw new RuntimeException("{$who} could not sign in: {$answer->said()}");
        }
    }

    /**
     * @param array<array-key, mixed>|string|null $body JSON, or text as it is
     * @param array<string, string> $headers
     */
    public function send(string $method, string $path, array|string|null $body = null, array $headers = []): Answer
    {
        return $this->together([[$method, $path, $body, $headers]], 1)[0];
    }

    /**
     * Sends requests, some at once; answers come in the order of the requests.
     *
     * @param list<array{0: string, 1: string, 2?: array<array-key, mixed>|string|null, 3?: array<string, string>}> $requests
     * @return list<Answer>
     */
    public function together(array $requests, int $atOnce): array
    {
        return self::ofAll(array_map(fn (array $request): array => [$this, $request], $requests), $atOnce);
    }

    /**
     * The same of several people.
     *
     * @param list<array{self, array{0: string, 1: string, 2?: array<array-key, mixed>|string|null,
     *     3?: array<string, string>}}> $requests who asks, and what
     * @return list<Answer>
     */
    public static function ofAll(array $requests, int $atOnce): array
    {
        $multi = curl_multi_init();
        $answers = $running = [];
        $next = 0;
        do {
            while (count($running) < $atOnce && $next < count($requests)) {
                [$who, $request] = $requests[$next];
                $handle = $who->handle($request);
                curl_multi_add_handle($multi, $handle);
                $running[spl_object_id($handle)] = $next++;
            }
            curl_multi_exec($multi, $active);
            curl_multi_select($multi, 0.05);
            while (($done = curl_multi_info_read($multi)) !== false) {
                $handle = $done['handle'];
                $status = $done['result'] === CURLE_OK ? curl_getinfo($handle, CURLINFO_RESPONSE_CODE) : 0;
                $body = $status === 0 ? curl_error($handle) : (string) curl_multi_getcontent($handle);
                $answers[$running[spl_object_id($handle)]] = new Answer(
                    $status,
                    $body,
                    curl_getinfo($handle, CURLINFO_TOTAL_TIME),
                );
                unset($running[spl_object_id($handle)]);
                curl_multi_remove_handle($multi, $handle);
            }
        } while ($running !== [] || $next < count($requests));
        ksort($answers);

        return array_values($answers);
    }

    /**
     * A request that is yet to be sent.
     *
     * @param array{0: string, 1: string, 2?: array<array-key, mixed>|string|null, 3?: array<string, string>} $request
     */
    public function handle(array $request): CurlHandle
    {
        [$method, $path, $body, $more] = $request + [2 => null, 3 => []];
        $handle = curl_init("{$this->address}{$path}");
        if ($handle === false) {
            throw new RuntimeException("{$path} is no address");
        }
        $headers = [
            'Accept: application/json',
            'X-XSRF-TOKEN: '.urldecode($this->cookies['XSRF-TOKEN'] ?? ''),
            'Expect:',
        ];
        foreach ($more + ['Content-Type' => 'application/json'] as $name => $value) {
            $headers[] = "{$name}: {$value}";
        }
        $cookies = array_map(
            static fn (string $name, string $value): string => "{$name}={$value}",
            array_keys($this->cookies),
            $this->cookies,
        );
        curl_setopt_array($handle, [
            CURLOPT_CUSTOMREQUEST => $method === '' ? 'GET' : $method,
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_INTERFACE => $this->from,
            CURLOPT_TIMEOUT => $this->seconds,
            CURLOPT_HTTPHEADER => $headers,
            CURLOPT_HEADERFUNCTION => function (CurlHandle $of, string $line): int {
                if (preg_match('/^Set-Cookie: ([^=]+)=([^;]*)/i', $line, $set) === 1) {
                    $this->cookies[$set[1]] = $set[2];
                }

                return strlen($line);
            },
        ]);
        $cookie = implode('; ', $cookies);
        if ($cookie !== '') {
            curl_setopt($handle, CURLOPT_COOKIE, $cookie);
        }
        if ($body !== null) {
            $text = is_array($body)
                ? json_encode(
                    $body,
                    JSON_UNESCAPED_UNICODE |
                        JSON_INVALID_UTF8_SUBSTITUTE |
                        JSON_THROW_ON_ERROR |
                        JSON_PRESERVE_ZERO_FRACTION,
                )
                : $body;
            curl_setopt($handle, CURLOPT_POSTFIELDS, $text);
        }

        return $handle;
    }
}
