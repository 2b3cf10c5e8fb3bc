<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261130033500 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'A story to begin with.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE assignment ADD beginning UUID DEFAULT NULL');
    }
}
