<?php

declare(strict_types=1);

namespace App\Links;

use ChalkTree\Link\Address;
use CurlHandle;

/**
 * Asks for something in the network on behalf of a person, within bounds: public addresses only, resolved once, at most
 * so many bytes and seconds, and a few redirects, each of which is looked at in the same way. It sends nothing of theirs.
 */
final readonly class PageFetcher
{
    private const REDIRECTS = 4;

    /** Seconds for all of it, and until there is an answer. */
    private const LONGEST = 8;

    private const CONNECT = 3;

    private const LONGEST_HEADER = 16_384;

    public function __construct(private PublicAddress $addresses)
    {
    }

    /**
     * @param  int  $most  bytes; what is more is left, or refused where only all of it is of use
     * @param  bool  $isWhole  whether only all of it is of use
     *
     * @throws UnreachablePage
     */
    public function get(string $address, int $most, string $accept, bool $isWhole = false): Fetched
    {
        $until = microtime(true) + self::LONGEST;
        for ($redirects = 0; ; $redirects++) {
            if (! Address::isOfWeb($address)) {
                throw new UnreachablePage('This is not the address of a page.');
            }
            [$status, $headers, $body] = $this->ask($address, $most, $accept, $isWhole, $until - microtime(true));
            $location = $status >= 300 && $status < 400 ? $headers['location'] ?? '' : '';
            if ($location === '') {
                break;
            }
            if ($redirects >= self::REDIRECTS) {
                throw new UnreachablePage('The page leads elsewhere again and again.');
            }
            $address = self::resolved($address, $location);
        }
        if ($status !== 200) {
            throw new UnreachablePage($status === 404 || $status === 410 ? 'There is no such page any more.' : "The page answered with the code {$status}.");
        }
        [$type, $parameters] = [...explode(';', $headers['content-type'] ?? '', 2), ''];
        $charset = preg_match('/charset=["\']?([\w.:-]{1,40})/i', $parameters, $m) === 1 ? $m[1] : '';

        return new Fetched($address, mb_strtolower(trim($type)), $charset, $headers, $body);
    }

    /** Where a relative address leads from another. */
    public static function resolved(string $from, string $to): string
    {
        $to = trim((string) strtok($to, '#'));
        $base = parse_url($from);
        $origin = ($base['scheme'] ?? 'http').'://'.($base['host'] ?? '').(isset($base['port']) ? ":{$base['port']}" : '');

        return match (true) {
            preg_match('~^[a-z][a-z0-9+.-]*:~i', $to) === 1 => $to,
            str_starts_with($to, '//') => ($base['scheme'] ?? 'http').":{$to}",
            str_starts_with($to, '/') => $origin.$to,
            str_starts_with($to, '?') => $origin.($base['path'] ?? '/').$to,
            default => $origin.substr($base['path'] ?? '/', 0, (int) strrpos($base['path'] ?? '/', '/')).'/'.$to,
        };
    }

    /**
     * @return array{int, array<string, string>, string} status, headers, body
     *
     * @throws UnreachablePage
     */
    private function ask(string $address, int $most, string $accept, bool $isWhole, float $seconds): array
    {
        if ($seconds <= 0) {
            throw new UnreachablePage('The page took too long to answer.');
        }
        $parts = (array) parse_url($address);
        $host = (string) ($parts['host'] ?? '');
        $port = (int) ($parts['port'] ?? (strcasecmp((string) ($parts['scheme'] ?? ''), 'https') === 0 ? 443 : 80));
        if (preg_match('/^(?:[a-z0-9](?:[a-z0-9.-]{0,251}[a-z0-9])?|\[[0-9a-f:.]+\])$/iD', $host) !== 1) {
            throw new UnreachablePage('Names of servers are written in plain letters here.');
        }
        $ip = $this->addresses->of(mb_strtolower($host), $port);
        $headers = [];
        $body = '';
        $long = 0;
        $curl = curl_init($address);
        if ($curl === false) {
            throw new UnreachablePage('This is not the address of a page.');
        }
        curl_setopt_array($curl, [
            CURLOPT_PROTOCOLS => CURLPROTO_HTTP | CURLPROTO_HTTPS,
            CURLOPT_FOLLOWLOCATION => false,
            // Whatever the name is taken for, the connection goes there.
            CURLOPT_CONNECT_TO => ['::'.(str_contains($ip, ':') ? "[{$ip}]" : $ip).":{$port}"],
            CURLOPT_PROXY => '',
            CURLOPT_CONNECTTIMEOUT => self::CONNECT,
            CURLOPT_TIMEOUT_MS => (int) ($seconds * 1000),
            CURLOPT_ENCODING => '',
            CURLOPT_USERAGENT => 'Mozilla/5.0 (compatible; ChalkTree; looks at a page that somebody linked)',
            CURLOPT_HTTPHEADER => ["Accept: {$accept}", 'Accept-Language: en, *;q=0.5'],
            CURLOPT_HEADERFUNCTION => function (CurlHandle $curl, string $line) use (&$headers, &$long): int {
                $long += strlen($line);
                [$name, $value] = [...explode(':', $line, 2), ''];
                $headers[mb_strtolower(trim($name))] = trim($value);

                return $long > self::LONGEST_HEADER ? 0 : strlen($line);
            },
            CURLOPT_WRITEFUNCTION => function (CurlHandle $curl, string $piece) use (&$body, $most): int {
                $body .= $piece;

                return strlen($body) > $most ? 0 : strlen($piece);
            },
        ]);
        curl_exec($curl);
        $error = curl_errno($curl);
        $status = (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
        $isCut = strlen($body) > $most;
        if ($isCut && $isWhole) {
            throw new UnreachablePage('What is there is too large.');
        }
        if ($error !== 0 && ! $isCut) {
            throw new UnreachablePage($error === CURLE_OPERATION_TIMEOUTED ? 'The page took too long to answer.' : 'The page cannot be reached.');
        }

        return [$status, $headers, substr($body, 0, $most)];
    }
}
