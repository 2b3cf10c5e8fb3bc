<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261129030000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'A take may be spoken for a part of what a slide says, or for many slides.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE asset ADD around JSON DEFAULT NULL');
        $this->addSql('ALTER TABLE asset ADD steps JSON DEFAULT NULL');
    }
}
