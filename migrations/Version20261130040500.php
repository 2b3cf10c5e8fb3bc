<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261130040500 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'A link for an evening with parents.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE assignment ADD evening_until TIMESTAMP(0) WITHOUT TIME ZONE DEFAULT NULL');
    }
}
