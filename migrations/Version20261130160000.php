<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261130160000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'How long a school keeps what an archived class has made; the same file, whoever brought it in.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE school ADD keeps_years INT DEFAULT NULL');
        $this->addSql('CREATE INDEX asset_hash ON asset (hash)');
        $this->addSql('ALTER TABLE school ADD keeping_told_at TIMESTAMP(0) WITHOUT TIME ZONE DEFAULT NULL');
    }
}
