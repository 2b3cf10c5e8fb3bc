<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261129160000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'How long a take was recorded, by the clock of who recorded it.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE asset ADD recorded INT DEFAULT NULL');
    }
}
