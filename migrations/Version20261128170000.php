<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261128170000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'An assignment may tell the style that its stories begin with.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE assignment ADD style VARCHAR(20) DEFAULT NULL');
    }
}
