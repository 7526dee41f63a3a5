<?php

declare(strict_types=1);

namespace App\Links;

use Closure;
use Symfony\Component\HttpFoundation\IpUtils;

/**
 * Says to which address of the network a page may be asked for, so that nobody reaches through this server what is not
 * open to everyone. A name is resolved here, once, and the connection goes to that very address.
 */
final readonly class PublicAddress
{
    private const PORTS = [80, 443];

    /** Ranges by which addresses of the other sort, or private ones, are reached under another guise. */
    private const DISGUISES = ['::ffff:0:0/96', '::/96', '64:ff9b::/96', '64:ff9b:1::/48', '2001::/32', '2002::/16', '3fff::/20', '5f00::/16', '192.88.99.0/24'];

    /** @param  (Closure(string): list<string>)|null  $resolve  the addresses of a name; null for those that the network knows */
    public function __construct(private ?Closure $resolve = null)
    {
    }

    /** @throws UnreachablePage where it is not open to everyone */
    public function of(string $host, int $port): string
    {
        if ($this->isStandIn($host, $port)) {
            return '127.0.0.1';
        }
        if (! in_array($port, self::PORTS, true)) {
            throw new UnreachablePage('Pages are asked for at the usual ports only, 80 and 443.');
        }
        $literal = trim($host, '[]');
        $found = filter_var($literal, FILTER_VALIDATE_IP) !== false ? [$literal] : $this->resolved($host);
        if ($found === []) {
            throw new UnreachablePage("Nothing is known under the name {$host}.");
        }
        foreach ($found as $address) {
            if (! self::isPublic($address)) {
                throw new UnreachablePage('This address is not open to everyone, so the server does not ask there.');
            }
        }

        return $found[0];
    }

    public static function isPublic(string $address): bool
    {
        return filter_var($address, FILTER_VALIDATE_IP, FILTER_FLAG_NO_PRIV_RANGE | FILTER_FLAG_NO_RES_RANGE | FILTER_FLAG_GLOBAL_RANGE) !== false
            && ! IpUtils::checkIp($address, [...self::DISGUISES, '224.0.0.0/4', 'ff00::/8', 'fc00::/7', 'fe80::/10', 'fec0::/10']);
    }

    /** Whether it is the small site that ships with the application and stands in for the network, where it is served. */
    private function isStandIn(string $host, int $port): bool
    {
        $site = parse_url((string) config('chalk.stand_in'));

        return config('chalk.demo') === true && is_array($site) && ($site['host'] ?? '') !== '' && $site['host'] === $host && ($site['port'] ?? 80) === $port;
    }

    /** @return list<string> */
    private function resolved(string $host): array
    {
        if ($this->resolve !== null) {
            return ($this->resolve)($host);
        }
        $found = gethostbynamel($host);
        if ($found !== false && $found !== []) {
            return $found;
        }
        $records = @dns_get_record($host, DNS_AAAA);

        return array_values(array_filter(array_column($records === false ? [] : $records, 'ipv6'), is_string(...)));
    }
}
