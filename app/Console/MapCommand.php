<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\MapRecord;
use App\Models\Person;
use ChalkTree\Refusal;
use Illuminate\Console\Command;
use Illuminate\Console\OutputStyle;
use RuntimeException;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Throwable;

/**
 * What the map commands have in common: they work as the demo person or as --owner, print their result and nothing
 * else to standard output, and say what went wrong on standard error with exit code 1.
 */
abstract class MapCommand extends Command
{
    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        try {
            return (int) parent::execute($input, $output);
        } catch (Throwable $refused) {
            if (! $refused instanceof Refusal && ! $refused instanceof RuntimeException) {
                throw $refused;
            }
            $output = $output instanceof OutputStyle ? $output->getOutput() : $output;
            $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
            $errors->writeln($refused->getMessage(), OutputInterface::OUTPUT_RAW);

            return self::FAILURE;
        }
    }

    protected function owner(): Person
    {
        $email = $this->text('owner') ?? (string) config('chalk.demo_email');

        return Person::query()->where('email', mb_strtolower($email))->first()
            ?? throw new RuntimeException("There is no account with the address {$email}.");
    }

    protected function record(): MapRecord
    {
        $id = $this->said('id');

        return $this->owner()->maps()->find(strtolower($id)) ?? throw new RuntimeException("There is no map with the id {$id}.");
    }

    /** An argument, which the signature makes sure is there. */
    protected function said(string $argument): string
    {
        $value = $this->argument($argument);

        return is_string($value) ? $value : '';
    }

    /** An option with a text, or null where it was not given. */
    protected function text(string $option): ?string
    {
        $value = $this->option($option);

        return is_string($value) && $value !== '' ? $value : null;
    }

    protected function number(string $option, int $least, int $most): ?int
    {
        $value = $this->text($option);
        if ($value === null) {
            return null;
        }
        if (preg_match('/\A\d{1,9}\z/', $value) !== 1 || (int) $value < $least || (int) $value > $most) {
            throw new RuntimeException("--{$option} has to be a whole number from {$least} to {$most}.");
        }

        return (int) $value;
    }

    /** Writes without any decoration, so that a file comes out as it is. */
    protected function put(string $text): void
    {
        $this->output->write($text, false, OutputInterface::OUTPUT_RAW);
    }

    protected function readable(string $file): string
    {
        return is_file($file) && is_readable($file) ? $file : throw new RuntimeException("The file {$file} cannot be read.");
    }

    protected function contents(string $file): string
    {
        $contents = file_get_contents($this->readable($file));

        return $contents === false ? throw new RuntimeException("The file {$file} cannot be read.") : $contents;
    }
}
