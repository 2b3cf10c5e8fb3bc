<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261129200000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'When a class\'s year was over.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE classroom ADD archived_at TIMESTAMP(0) WITHOUT TIME ZONE DEFAULT NULL');
    }
}
