<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261129110000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Where somebody pointed while a take was spoken comes in with it.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE asset ADD pointing JSON DEFAULT NULL');
    }
}
