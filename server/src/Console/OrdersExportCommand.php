<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZippyTray\Core\Order\Sieve\WriteSieve;
use ZippyTray\Server\Store\Ports\OrderStore;
use ZippyTray\Server\Store\Ports\TemplateStore;

#[AsCommand('orders:export', 'Prints standing orders as a Sieve script (RFC 5228) for a mail server')]
final class OrdersExportCommand extends Command
{
    public function __construct(
        private readonly OneAccount $account,
        private readonly OrderStore $orders,
        private readonly TemplateStore $templates,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this
            ->addOption('account', null, InputOption::VALUE_REQUIRED, 'Address of the account. Not needed when there is just one')
            ->setHelp('What a server cannot know or do is left out, as a whole order, and said in a comment.');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $account = $this->account->of($input, $output);
        if (null === $account) {
            return self::INVALID;
        }
        $templates = [];
        foreach ($this->templates->all($account->id) as $template) {
            $templates[$template->id] = $template;
        }
        $output->write(
            WriteSieve::of($this->orders->all($account->id), $account->person()->addresses(), $templates),
            false,
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }
}
